<script setup lang="ts">
import { computed, ref } from 'vue'
import { edit, type Operation } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { deltaE } from '#core/colour/difference.ts'
import { labOf } from '#core/palette/index.ts'
import MaterialSwatch from '../parts/MaterialSwatch.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import type { Printed } from '../parts/printed.ts'

/** The same pattern in other colours of the palette: each to be looked at, and taken with a click. */
const { finish, finishes, print } = defineProps<{
  finish: Row<'finish'>
  finishes: readonly Row<'finish'>[]
  print: Printed
}>()
const makeover = useMakeover()
const allParts = useRows('patternPart')
const problem = ref('')
const parts = computed(() => allParts.value.filter((row) => row.finishId === finish.id))
type Way = { readonly ground: Row<'finish'>; readonly inks: readonly Row<'finish'>[]; readonly print: Printed }
/** Rotations of the palette's own plain colours that are seen apart: ground first, then what the pattern carries. */
const ways = computed((): Way[] => {
  const plain = finishes.filter(
    (thisFinish) =>
      thisFinish.pattern === 'plain' &&
      thisFinish.roomId === finish.roomId &&
      thisFinish.id !== finish.id &&
      ['paint', 'textile', 'plush', 'leather', 'paper', 'ceramic', 'wood'].includes(thisFinish.family),
  )
  const set = plain.filter((finish, at) =>
    plain.slice(0, at).every((otherFinish) => deltaE(labOf(finish), labOf(otherFinish)) > 5),
  )
  const found: Way[] = []
  for (let turn = 0; turn < set.length && found.length < 3; turn++) {
    const [ground, ...rest] = [...set.slice(turn), ...set.slice(0, turn)]
    const inks = rest
      .filter((finish) => ground && Math.abs(finish.labL - ground.labL) > 12)
      .slice(0, parts.value.length)
    if (!ground || inks.length < parts.value.length) continue
    if (deltaE(labOf(ground), labOf(finish)) < 5) continue
    found.push({
      ground,
      inks,
      print: {
        ...print,
        parts: parts.value.map((part, at) => ({ lab: labOf(inks[at] ?? ground), share: part.sharePpm / 1_000_000 })),
      },
    })
  }
  return found
})
async function take(way: Way): Promise<void> {
  const operations: Operation[] = [
    edit('finish', finish, {
      labL: way.ground.labL,
      labA: way.ground.labA,
      labB: way.ground.labB,
      colourSource: way.ground.colourSource,
    }),
    ...parts.value.map((part, at) => edit('patternPart', part, { partId: way.inks[at]?.id ?? part.partId })),
  ]
  const faults = await makeover.change(
    `${finish.name} in ${[way.ground, ...way.inks].map((ink) => ink.name).join(', ')}`,
    operations,
  )
  problem.value = faults.map((fault) => fault.message).join('; ')
}
const said = (way: Way): string => `${way.ground.name} with ${way.inks.map((ink) => ink.name).join(' and ')}`
</script>

<template>
  <section v-if="ways.length > 0" class="colourways" aria-label="Colourways">
    <span class="label">In other colours of the palette</span>
    <div>
      <button
        v-for="way in ways"
        :key="way.ground.id"
        type="button"
        class="bare"
        :aria-label="`Take it in ${said(way)}`"
        :title="said(way)"
        @click="take(way)"
      >
        <MaterialSwatch
          :finish="{ ...finish, labL: way.ground.labL, labA: way.ground.labA, labB: way.ground.labB }"
          :print="way.print"
          :per-mm="0.32"
        />
      </button>
    </div>
    <p v-if="problem" class="error-line" role="alert">{{ problem }}</p>
  </section>
</template>

<style>
.colourways > div {
  display: flex;
  gap: 8px;
  background: var(--ground);
  padding: 8px;
}
.colourways button {
  flex: 1;
  height: 56px;
}
.colourways button:hover {
  outline: 2px solid var(--ink);
}
</style>
