<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { computed } from 'vue'
import { deltaE } from '#core/colour/difference.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { labOf, tieTable, type Palette } from '#core/palette/index.ts'
import { paletteFinishes } from '#core/makeover/laid.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'

/** Palette colour × piece: where a colour is taken up again, and where two undertones part. */
const { palette } = defineProps<{ palette: Palette }>()
const makeover = useMakeover()
const pieces = useRows('piece')
const finishes = computed(() => (makeover.opened ? paletteFinishes(makeover.opened.makeover) : []))
const table = computed(() =>
  makeover.opened && makeover.reckoning ? tieTable(makeover.opened.makeover, makeover.reckoning.practice.rules) : [],
)
const rows = computed(() =>
  table.value.map((tie) => ({
    ...tie,
    piece: byId(pieces.value, tie.pieceId),
    wall: palette.standings.find((wall) => wall.kind === 'piece' && wall.id === tie.pieceId),
  })),
)
const cell = (row: (typeof rows.value)[number], finishId: string) =>
  row.cells.find((cell) => cell.finishId === finishId)
const words = { same: 'the same colour', hue: 'the same hue, another depth', clash: 'clashes' } as const
const said = (tie: 'same' | 'hue' | 'clash' | null): string => (tie === null ? 'no tie' : words[tie])
const near = (row: (typeof rows.value)[number], finish: Row<'finish'>): number =>
  Math.min(...row.colours.map((colour) => deltaE(colour, labOf(finish))))
const appears = (id: string): number => byId(palette.finishes, id)?.appears ?? 0
</script>

<template>
  <div class="ties">
    <div class="section-head">
      <h3>Palette colour against piece</h3>
      <span class="quiet key"
        ><i class="same" aria-hidden="true" /> one colour&ensp;<i class="hue" aria-hidden="true" /> one hue at another
        depth&ensp;<i class="clash" aria-hidden="true" /> clash</span
      >
    </div>
    <div class="scroll" tabindex="0" role="region" aria-label="Ties">
      <table v-cards>
        <thead>
          <tr>
            <th>Piece</th>
            <th v-for="finish in finishes" :key="finish.id" scope="col" class="turned">
              <span>{{ finish.name }}</span>
            </th>
            <th class="number">Ties</th>
            <th>Before its wall</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.pieceId">
            <th scope="row">{{ row.piece?.name }}</th>
            <td v-for="finish in finishes" :key="finish.id" class="cell">
              <template v-if="row.piece?.roomId === finish.roomId"
                ><i
                  :class="cell(row, finish.id)?.tie ?? 'none'"
                  :title="`${said(cell(row, finish.id)?.tie ?? null)}, ΔE ${near(row, finish).toFixed(1)}`"
                /><span class="visually-hidden">{{ said(cell(row, finish.id)?.tie ?? null) }}</span></template
              >
            </td>
            <td class="number">
              <strong>{{ row.tied }}</strong>
            </td>
            <td class="quiet">{{ row.wall ? `${row.wall.reads}, ΔE ${row.wall.deltaE.toFixed(1)}` : '–' }}</td>
          </tr>
          <tr class="appears">
            <th scope="row">Appears in</th>
            <td v-for="finish in finishes" :key="finish.id" class="cell">{{ appears(finish.id) }}</td>
            <td />
            <td class="quiet">places</td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>

<style>
.ties {
  margin: 8px 0 0;
}
.ties table {
  width: auto;
  min-width: 100%;
}
.ties .turned {
  vertical-align: bottom;
  height: 96px;
  padding: 0 4px 4px;
  width: 30px;
}
.ties .turned span {
  writing-mode: vertical-rl;
  transform: rotate(180deg);
  white-space: nowrap;
}
.ties tbody th {
  font-size: 14px;
  line-height: 20px;
  color: var(--ink);
  border-bottom: 1px solid var(--hairline);
  white-space: nowrap;
  padding: 4px 12px 4px 0;
}
.ties .cell {
  text-align: center;
  padding: 4px;
  vertical-align: middle;
}
.ties td {
  padding-top: 4px;
  padding-bottom: 4px;
}
.ties .appears > * {
  border-bottom: 1.5px solid var(--ink);
  border-top: 1.5px solid var(--ink);
  font-weight: 600;
}
.ties i {
  display: inline-block;
  width: 12px;
  height: 12px;
  vertical-align: -1px;
}
.ties i.same {
  background: var(--ink);
  border-radius: 50%;
}
.ties i.hue {
  border: 2px solid var(--ink);
  border-radius: 50%;
}
.ties i.clash {
  background:
    linear-gradient(45deg, transparent 42%, var(--ink) 42% 58%, transparent 58%),
    linear-gradient(-45deg, transparent 42%, var(--ink) 42% 58%, transparent 58%);
}
.ties i.none {
  border-bottom: 1px solid var(--rule);
  height: 1px;
  vertical-align: 4px;
}
.ties .key {
  font-size: 12px;
}
</style>
