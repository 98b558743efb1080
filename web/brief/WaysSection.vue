<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, ref } from 'vue'
import { scopeChoices } from '#core/brief/index.ts'
import { add, edit } from '#core/makeover/change.ts'
import { blank } from '#core/makeover/blank.ts'
import type { Row } from '#core/makeover/kinds.ts'
import MoneyAmount from '../parts/MoneyAmount.vue'
import RowDialog from '../parts/RowDialog.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { scopeChoiceForm, scopeOptionForm } from './forms.ts'
import { useSetting } from './setting.ts'

/** The ways of meeting one wish, priced side by side: leave, cover, change parts, repaint, replace. */
const makeover = useMakeover()
const setting = useSetting()
const categories = useRows('category')
const choices = computed(() =>
  makeover.opened && makeover.reckoning ? scopeChoices(makeover.opened.makeover, makeover.reckoning.practice) : [],
)
const choice = ref<Row<'scopeChoice'> | null>(null)
const choiceOpen = ref(false)
const way = ref<Row<'scopeOption'> | null>(null)
const wayOf = ref('')
const wayOpen = ref(false)
const problem = ref('')
const forms = computed(() =>
  setting.value ? { choice: scopeChoiceForm(setting.value), way: scopeOptionForm(setting.value, wayOf.value) } : null,
)
function openChoice(row: Row<'scopeChoice'> | null): void {
  choice.value = row
  choiceOpen.value = true
}
function openWay(choiceId: string, row: Row<'scopeOption'> | null): void {
  wayOf.value = choiceId
  way.value = row
  wayOpen.value = true
}
async function pick(rows: readonly Row<'scopeOption'>[], chosen: Row<'scopeOption'>): Promise<void> {
  const faults = await makeover.change(
    `Chose to ${chosen.way}: ${chosen.name}`,
    rows
      .filter((row) => row.chosen !== (row.id === chosen.id))
      .map((row) => edit('scopeOption', row, { chosen: row.id === chosen.id })),
  )
  problem.value = faults.map((fault) => fault.message).join('; ')
}
/** The chosen way becomes a piece with its cost as allowance, so that it stands in the budget. */
async function planIt(roomId: string, row: Row<'scopeOption'>): Promise<void> {
  const id = uuidv7()
  const faults = await makeover.change(`Planned: ${row.name}`, [
    add('piece', id, {
      ...blank.piece,
      roomId,
      zoneId: null,
      categoryId: categories.value[0]?.id ?? null,
      name: row.name,
      quantity: 1,
      unit: 'pieces',
      allowanceMinor: row.costMinor,
      chosenId: null,
      chosenReason: '',
    }),
    edit('scopeOption', row, { pieceId: id }),
  ])
  problem.value = faults.map((fault) => fault.message).join('; ')
}
</script>

<template>
  <section aria-labelledby="ways-title">
    <div class="section-head">
      <h2 id="ways-title">Ways of doing it, priced side by side</h2>
      <button type="button" class="word" @click="openChoice(null)">Add a wish</button>
    </div>
    <p v-if="choices.length === 0" class="quiet">
      The same wish can be met at different prices: cover a floor or replace it; repaint cabinets, change their handles,
      or buy new ones.
    </p>
    <div v-for="one in choices" :key="one.row.id" class="wish">
      <h3>
        {{ one.row.name }}
        <button type="button" class="word" :aria-label="`Change ${one.row.name}`" @click="openChoice(one.row)">
          Change
        </button>
        <button
          type="button"
          class="word"
          :aria-label="`Add a way for ${one.row.name}`"
          @click="openWay(one.row.id, null)"
        >
          Add a way
        </button>
      </h3>
      <table v-if="one.ways.length > 0">
        <thead>
          <tr>
            <th>Way</th>
            <th class="number">Cost</th>
            <th class="number">Above the least</th>
            <th class="number">A year of it</th>
            <th class="number">Takes</th>
            <th>Ruled out by</th>
            <th><span class="visually-hidden">Do</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="each in one.ways" :key="each.row.id" :class="{ chosen: each.row.chosen }">
            <td>
              <strong>{{ each.row.way }}</strong> {{ each.row.name }}
            </td>
            <td class="number"><MoneyAmount :amount="each.row.costMinor" :currency="makeover.currency" /></td>
            <td class="number quiet"><MoneyAmount :amount="each.aboveLeast" :currency="makeover.currency" /></td>
            <td class="number">
              <MoneyAmount v-if="each.perYear !== null" :amount="each.perYear" :currency="makeover.currency" /><span
                v-else
                class="quiet"
                >–</span
              >
            </td>
            <td class="number">{{ each.row.days }} d</td>
            <td>
              <template v-if="each.ruledOut.length > 0">{{
                each.ruledOut.map((word) => word.word).join(', ')
              }}</template
              ><span v-else class="quiet">nothing</span>
            </td>
            <td class="number keep">
              <strong v-if="each.row.chosen">Chosen</strong>
              <button
                v-else
                type="button"
                class="word"
                :aria-label="`Choose ${each.row.name}`"
                @click="
                  pick(
                    one.ways.map((w) => w.row),
                    each.row,
                  )
                "
              >
                Choose</button
              >&ensp;
              <router-link
                v-if="each.row.pieceId"
                :to="{ name: 'piece', params: { id: $route.params.id, pieceId: each.row.pieceId } }"
                >planned</router-link
              >
              <button
                v-else-if="each.row.chosen && each.row.costMinor > 0 && categories.length > 0"
                type="button"
                class="word"
                :aria-label="`Plan ${each.row.name} as a piece`"
                @click="planIt(one.row.roomId, each.row)"
              >
                Plan it</button
              >&ensp;
              <button
                type="button"
                class="word"
                :aria-label="`Change the way ${each.row.name}`"
                @click="openWay(one.row.id, each.row)"
              >
                Change
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="one.repaintShare !== null" class="quiet">
        Repainting comes to {{ Math.round(one.repaintShare) }} % of replacing.
      </p>
    </div>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
    <RowDialog v-if="forms" v-model="choiceOpen" :form="forms.choice" :row="choice" />
    <RowDialog v-if="forms" v-model="wayOpen" :form="forms.way" :row="way" :width="620" />
  </section>
</template>

<style>
.wish + .wish {
  margin-top: 14px;
}
.wish h3 .word {
  font-weight: 400;
  font-size: 13px;
  margin-left: 10px;
}
</style>
