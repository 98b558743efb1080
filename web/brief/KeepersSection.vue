<script setup lang="ts">
import { computed, ref } from 'vue'
import { keepers } from '#core/brief/index.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import RowDialog from '../parts/RowDialog.vue'
import { useMakeover } from '../stores/makeover.ts'
import { keeperForm } from './forms.ts'
import { useSetting } from '../stores/setting.ts'

/** What stays, was moved here, or is lent. */
const makeover = useMakeover()
const setting = useSetting()
const kept = computed(() => (makeover.opened ? keepers(makeover.opened.makeover) : []))
const form = computed(() => (setting.value ? keeperForm(setting.value) : null))
const open = ref(false)
</script>

<template>
  <section aria-labelledby="stays-title">
    <div class="section-head">
      <h2 id="stays-title">What stays, and what is lent</h2>
      <button type="button" class="word" @click="open = true">Add what stays</button>
    </div>
    <p v-if="kept.length === 0" class="quiet">
      Nothing is listed. What works, what is loved, and what there is no money to replace: write it down before anything
      is bought.
    </p>
    <table v-cards v-else>
      <thead>
        <tr>
          <th>Thing</th>
          <th>Why</th>
          <th>From</th>
          <th>Goes back</th>
          <th>Missing there</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="entry in kept" :key="entry.piece.id">
          <td>
            <router-link :to="{ name: 'piece', params: { id: $route.params.id, pieceId: entry.piece.id } }"
              ><strong>{{ entry.piece.name }}</strong></router-link
            >{{ ' ' }}
            <span v-if="entry.piece.setName" class="quiet">{{ entry.piece.setName }}</span>
          </td>
          <td>
            {{ entry.thing.source }}<template v-if="entry.thing.keepReason">, {{ entry.thing.keepReason }}</template
            ><span v-if="entry.sentimental" class="quiet place"
              >never suggested for replacement; the palette works round it</span
            >
          </td>
          <td class="quiet">{{ entry.thing.origin || '–' }}</td>
          <td>
            {{
              entry.thing.goBackOn
                ? writeDate(entry.thing.goBackOn)
                : entry.lent && entry.thing.source !== 'moved'
                  ? 'no date yet'
                  : '–'
            }}
          </td>
          <td class="quiet">{{ entry.thing.hole || '–' }}</td>
        </tr>
      </tbody>
    </table>
    <RowDialog v-if="form" v-model="open" :form="form" :width="640" />
  </section>
</template>
