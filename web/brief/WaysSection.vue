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
import { useSetting } from '../stores/setting.ts'

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
    <div v-for="choice in choices" :key="choice.row.id" class="wish">
      <h3>
        {{ choice.row.name }}
        <button type="button" class="word" :aria-label="`Change ${choice.row.name}`" @click="openChoice(choice.row)">
          Change</button
        >{{ ' ' }}
        <button
          type="button"
          class="word"
          :aria-label="`Add a way for ${choice.row.name}`"
          @click="openWay(choice.row.id, null)"
        >
          Add a way
        </button>
      </h3>
      <table v-cards v-if="choice.ways.length > 0">
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
          <tr v-for="way in choice.ways" :key="way.row.id" :class="{ chosen: way.row.chosen }">
            <td>
              <strong>{{ way.row.way }}</strong> {{ way.row.name }}
            </td>
            <td class="number"><MoneyAmount :amount="way.row.costMinor" :currency="makeover.currency" /></td>
            <td class="number quiet"><MoneyAmount :amount="way.aboveLeast" :currency="makeover.currency" /></td>
            <td class="number">
              <MoneyAmount v-if="way.perYear !== null" :amount="way.perYear" :currency="makeover.currency" /><span
                v-else
                class="quiet"
                >–</span
              >
            </td>
            <td class="number">{{ way.row.days }} d</td>
            <td>
              <template v-if="way.ruledOut.length > 0">{{
                way.ruledOut.map((word) => word.word).join(', ')
              }}</template><span v-else class="quiet">nothing</span>
            </td>
            <td class="number keep">
              <strong v-if="way.row.chosen">Chosen</strong>
              <button
                v-else
                type="button"
                class="word"
                :aria-label="`Choose ${way.row.name}`"
                @click="
                  pick(
                    choice.ways.map((w) => w.row),
                    way.row,
                  )
                "
              >
                Choose</button
              >&ensp;
              <router-link
                v-if="way.row.pieceId"
                :to="{ name: 'piece', params: { id: $route.params.id, pieceId: way.row.pieceId } }"
                >planned</router-link
              >
              <button
                v-else-if="way.row.chosen && way.row.costMinor > 0 && categories.length > 0"
                type="button"
                class="word"
                :aria-label="`Plan ${way.row.name} as a piece`"
                @click="planIt(choice.row.roomId, way.row)"
              >
                Plan it</button
              >&ensp;
              <button
                type="button"
                class="word"
                :aria-label="`Change the way ${way.row.name}`"
                @click="openWay(choice.row.id, way.row)"
              >
                Change
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="choice.repaintShare !== null" class="quiet">
        Repainting comes to {{ Math.round(choice.repaintShare) }} % of replacing.
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
