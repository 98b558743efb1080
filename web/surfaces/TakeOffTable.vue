<script setup lang="ts">
import { computed } from 'vue'
import { heldAgainst, type TakeOff } from '#core/surfaces/index.ts'
import { vCards } from '../parts/cards.ts'
import MoneyAmount from '../parts/MoneyAmount.vue'
import { useMakeover } from '../stores/makeover.ts'
import { heldWords, quantityWords } from './words.ts'

/** What must be bought for every treatment of the room, and how its line stands. */
const { taken, selected } = defineProps<{ taken: readonly TakeOff[]; selected: string }>()
const emit = defineEmits<{ pick: [treatmentId: string]; line: [taken: TakeOff] }>()
const makeover = useMakeover()
const rows = computed(() => {
  const { opened, reckoning } = makeover
  if (!opened || !reckoning) return []
  return taken
    .filter(({ reckoned }) => reckoned !== null)
    .map((entry) => {
      const held = heldAgainst(opened.makeover, entry, reckoning.takeOffs, reckoning.money.pieces)
      const units = opened.makeover.rows.makeover[opened.makeover.id]?.units ?? 'metric'
      return {
        entry,
        held,
        name: entry.finish.name,
        thought: entry.treatment.insteadOfId !== null,
        needed: entry.reckoned?.ok ? quantityWords(entry.reckoned.need, entry.reckoned.unit, units) : '–',
        packs:
          entry.buying?.packs.map(({ count, name }) => (name ? `${count} × ${name}` : String(count))).join(' + ') ??
          '–',
        over:
          entry.buying && entry.reckoned?.ok && entry.buying.over > 1e-6
            ? quantityWords(entry.buying.over, entry.reckoned.unit, units)
            : '',
      }
    })
})
</script>

<template>
  <section aria-labelledby="take-off-title">
    <div class="section-head"><h2 id="take-off-title">To buy</h2></div>
    <p v-if="rows.length === 0" class="quiet">Nothing to buy yet: treat a surface with a finish of the palette.</p>
    <div v-else class="scroll">
      <table v-cards class="take-off">
        <thead>
          <tr>
            <th>Finish</th>
            <th class="number">Needed</th>
            <th class="number">Packs</th>
            <th class="number">Over</th>
            <th class="number">Cost</th>
            <th>Line</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="{ entry, held, name, needed, packs, over, thought } in rows"
            :key="entry.treatment.id"
            :class="{ chosen: entry.treatment.id === selected, thought }"
          >
            <td>
              <button type="button" class="word" @click="emit('pick', entry.treatment.id)">
                <strong>{{ name }}</strong></button
              >, {{ entry.treatment.how
              }}<span class="quiet place">{{ entry.where }}{{ thought ? ' · only thought of' : '' }}</span>
            </td>
            <td class="number keep">{{ needed }}</td>
            <td class="number">{{ packs }}</td>
            <td class="number keep">{{ over || '–' }}</td>
            <td class="number">
              <MoneyAmount v-if="entry.buying" :amount="entry.buying.cost" :currency="makeover.currency" /><template
                v-else
                >–</template
              >
            </td>
            <td>
              <span v-if="entry.reckoned && !entry.reckoned.ok" class="over-mark">no quantity</span>
              <button
                v-else-if="held && (held.state === 'no line' || held.state === 'to update')"
                type="button"
                class="word"
                @click="emit('line', entry)"
              >
                {{ heldWords(held) }}
              </button>
              <span v-else-if="held" :class="{ 'over-mark': held.state === 'short' }">{{ heldWords(held) }}</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>
