<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { computed } from 'vue'
import { edit } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { besideLimit } from '#core/measure/quantity.ts'
import { countedIn, type Palette, type Standing } from '#core/palette/index.ts'
import MaterialSwatch from '../parts/MaterialSwatch.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'

/** What stands before which wall, and whether it is meant to; and the surfaces that people must tell apart. */
const { palette, finishes } = defineProps<{ palette: Palette; finishes: readonly Row<'finish'>[] }>()
const makeover = useMakeover()
const pieces = useRows('piece')
const finishOf = (id: string) => byId(finishes, id)
const colourOf = (standing: Standing) => {
  if (standing.kind === 'finish') return finishOf(standing.id)
  const piece = byId(pieces.value, standing.id)
  const chosen = piece?.chosenId ? makeover.opened?.makeover.rows.candidate[piece.chosenId] : undefined
  return (
    finishes.find((row) => row.pieceId === standing.id) ??
    (chosen?.labL != null && chosen.labA !== null && chosen.labB !== null
      ? { family: 'paint' as const, sheen: 'matt' as const, labL: chosen.labL, labA: chosen.labA, labB: chosen.labB }
      : undefined)
  )
}
const rows = computed(() =>
  palette.standings
    .map((standing) => ({
      ...standing,
      name: (standing.kind === 'piece' ? byId(pieces.value, standing.id)?.name : finishOf(standing.id)?.name) ?? '',
      colour: colourOf(standing),
      wall: finishOf(standing.wallId),
    }))
    .toSorted((left, right) => Number(right.fault) - Number(left.fault) || left.deltaE - right.deltaE),
)
/** Meant to hide, or to be seen: said once, and the check follows. */
async function mean(standing: Standing, name: string): Promise<void> {
  const rows = makeover.opened?.makeover.rows
  const row = standing.kind === 'piece' ? rows?.piece[standing.id] : undefined
  const finish = standing.kind === 'finish' ? rows?.finish[standing.id] : undefined
  const sentence = `${name} is meant ${standing.hides ? 'to be seen' : 'to hide'}`
  if (row) await makeover.change(sentence, [edit('piece', row, { hides: !row.hides })])
  if (finish) await makeover.change(sentence, [edit('finish', finish, { hides: !finish.hides })])
}
const place = (deltaE: number): string => `${Math.min(100, (deltaE / 60) * 100)}%`
</script>

<template>
  <section class="contrast" aria-labelledby="contrast-title">
    <div class="section-head">
      <h2 id="contrast-title">Before its wall: hidden or standing out</h2>
      <span class="quiet">{{
        rows.filter((row) => row.fault).length === 0
          ? 'each as it is meant'
          : `${rows.filter((row) => row.fault).length} not as meant`
      }}</span>
    </div>
    <table v-cards v-if="rows.length > 0">
      <thead>
        <tr>
          <th>What</th>
          <th>Before</th>
          <th class="gauge">How far apart, ΔE</th>
          <th class="number">Lighter</th>
          <th>Reads</th>
          <th>Meant</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="`${row.kind}${row.id}`">
          <td>
            <span class="two" aria-hidden="true"
              ><span v-if="row.wall"><MaterialSwatch :finish="row.wall" :scale="0.4" /></span
              ><i v-if="row.colour"><MaterialSwatch :finish="row.colour" :scale="0.4" /></i></span
            >{{ row.name }}
          </td>
          <td class="quiet">{{ row.wall?.name }}</td>
          <td class="gauge">
            <span class="rod"><i :style="{ width: place(row.deltaE) }" /></span> {{ row.deltaE.toFixed(0) }}
          </td>
          <td class="number">{{ row.lighter > 0 ? '+' : '−' }}{{ Math.abs(row.lighter).toFixed(0) }}</td>
          <td>
            <span :class="{ inverted: row.fault }">{{ row.reads }}</span>
          </td>
          <td class="keep">
            <button
              type="button"
              class="word"
              :aria-label="`Meant ${row.hides ? 'to hide' : 'to be seen'}: ${row.name}; change it`"
              @click="mean(row, row.name)"
            >
              {{ row.hides ? 'to hide' : 'to be seen' }}
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else class="quiet">Nothing of known colour stands before a wall yet.</p>
    <template v-if="palette.apart.length > 0">
      <h3>To be told apart by people who see little</h3>
      <ul class="apart">
        <li v-for="pair in palette.apart" :key="`${pair.left}${pair.right}`">
          {{ finishOf(pair.left)?.name }} and {{ finishOf(pair.right)?.name }}:
          <strong>{{ besideLimit(pair.points, pair.wanted) }}</strong> {{ countedIn[pair.standard] }} by
          {{ pair.standard }}{{ pair.measured ? '' : ', an estimate'
          }}<template v-if="!pair.enough"
            >; <span class="inverted">short of {{ pair.wanted }}</span></template
          ><template v-else>, {{ pair.wanted }} wanted</template>
        </li>
      </ul>
    </template>
  </section>
</template>

<style>
.contrast {
  margin: 26px 14px 0;
}
.contrast .two {
  display: inline-block;
  position: relative;
  width: 34px;
  height: 22px;
  margin-right: 10px;
  vertical-align: -5px;
}
.contrast .two > span {
  position: absolute;
  inset: 0;
}
.contrast .two i {
  position: absolute;
  left: 10px;
  top: 6px;
  width: 14px;
  height: 10px;
}
.contrast .gauge {
  width: 190px;
  white-space: nowrap;
}
.contrast .rod {
  display: inline-block;
  width: 130px;
  height: 7px;
  background: var(--shade);
  vertical-align: 1px;
}
.contrast .rod i {
  display: block;
  height: 7px;
  background: var(--ink);
}
.contrast h3 {
  margin-top: 12px;
}
.contrast .apart li {
  font-size: 13px;
  line-height: 20px;
}
@media (max-width: 720px) {
  .contrast {
    margin: 22px 4px 0;
  }
}
</style>
