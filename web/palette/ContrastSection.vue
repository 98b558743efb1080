<script setup lang="ts">
import { computed } from 'vue'
import { edit } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import type { Palette, Standing } from '#core/palette/index.ts'
import MaterialSwatch from '../parts/MaterialSwatch.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'

/** What stands before which wall, and whether it is meant to; and the surfaces that people must tell apart. */
const { palette, finishes } = defineProps<{ palette: Palette; finishes: readonly Row<'finish'>[] }>()
const makeover = useMakeover()
const pieces = useRows('piece')
const finishOf = (id: string) => finishes.find((one) => one.id === id)
const colourOf = (one: Standing) => {
  if (one.kind === 'finish') return finishOf(one.id)
  const piece = pieces.value.find((row) => row.id === one.id)
  const chosen = piece?.chosenId ? makeover.opened?.makeover.rows.candidate[piece.chosenId] : undefined
  return (
    finishes.find((row) => row.pieceId === one.id) ??
    (chosen?.labL != null && chosen.labA !== null && chosen.labB !== null
      ? { family: 'paint' as const, sheen: 'matt' as const, labL: chosen.labL, labA: chosen.labA, labB: chosen.labB }
      : undefined)
  )
}
const rows = computed(() =>
  palette.standings
    .map((one) => ({
      ...one,
      name: (one.kind === 'piece' ? pieces.value.find((row) => row.id === one.id)?.name : finishOf(one.id)?.name) ?? '',
      colour: colourOf(one),
      wall: finishOf(one.wallId),
    }))
    .toSorted((one, other) => Number(other.fault) - Number(one.fault) || one.deltaE - other.deltaE),
)
/** Meant to hide, or to be seen: said once, and the check follows. */
async function mean(one: Standing, name: string): Promise<void> {
  const rows = makeover.opened?.makeover.rows
  const row = one.kind === 'piece' ? rows?.piece[one.id] : undefined
  const finish = one.kind === 'finish' ? rows?.finish[one.id] : undefined
  const sentence = `${name} is meant ${one.hides ? 'to be seen' : 'to hide'}`
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
        rows.filter((one) => one.fault).length === 0
          ? 'each as it is meant'
          : `${rows.filter((one) => one.fault).length} not as meant`
      }}</span>
    </div>
    <table v-if="rows.length > 0">
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
        <tr v-for="one in rows" :key="`${one.kind}${one.id}`">
          <td>
            <span class="two" aria-hidden="true"
              ><span v-if="one.wall"><MaterialSwatch :finish="one.wall" :scale="0.4" /></span
              ><i v-if="one.colour"><MaterialSwatch :finish="one.colour" :scale="0.4" /></i></span
            >{{ one.name }}
          </td>
          <td class="quiet">{{ one.wall?.name }}</td>
          <td class="gauge">
            <span class="rod"><i :style="{ width: place(one.deltaE) }" /></span> {{ one.deltaE.toFixed(0) }}
          </td>
          <td class="number">{{ one.lighter > 0 ? '+' : '−' }}{{ Math.abs(one.lighter).toFixed(0) }}</td>
          <td>
            <span :class="{ inverted: one.fault }">{{ one.reads }}</span>
          </td>
          <td class="keep">
            <button
              type="button"
              class="word"
              :aria-label="`Meant ${one.hides ? 'to hide' : 'to be seen'}: ${one.name}; change it`"
              @click="mean(one, one.name)"
            >
              {{ one.hides ? 'to hide' : 'to be seen' }}
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else class="quiet">Nothing of known colour stands before a wall yet.</p>
    <template v-if="palette.apart.length > 0">
      <h3>To be told apart by people who see little</h3>
      <ul class="apart">
        <li v-for="pair in palette.apart" :key="`${pair.one}${pair.other}`">
          {{ finishOf(pair.one)?.name }} and {{ finishOf(pair.other)?.name }}:
          <strong>{{ pair.points.toFixed(0) }}</strong> points of LRV, an estimate<template v-if="!pair.enough"
            >;
            <span class="inverted"
              >{{ (pair.wanted - pair.points).toFixed(0) }} short of {{ pair.wanted }}</span
            ></template
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
