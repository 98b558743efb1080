<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, ref } from 'vue'
import { add } from '#core/makeover/change.ts'
import { groupBy } from '#core/makeover/document.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import { goodsValue, type PurchaseReckoning } from '#core/purchases/index.ts'
import RemarkMark from '../parts/RemarkMark.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'

/** Round the room once more, spot by spot: what each thing is for, what is said of it, and what goes back while it still can. */
const makeover = useMakeover()
const [pieces, zones, servings, needs] = [useRows('piece'), useRows('zone'), useRows('serving'), useRows('need')]
const said = computed(() => {
  const found = new Map<string, { weight: 'stop' | 'look' | 'note'; title: string }[]>()
  for (const remark of makeover.reckoning?.remarks ?? [])
    if (remark.accepted === null && (remark.step === 'placement' || remark.step === 'palette'))
      for (const { kind, id } of remark.subjects)
        if (kind === 'piece') found.set(id, [...(found.get(id) ?? []), { weight: remark.weight, title: remark.title }])
  return found
})
/** What is crowded, or does not stand beside its like: on shelves and about things. */
const crowded = computed(() =>
  (makeover.reckoning?.remarks ?? []).filter(
    ({ step, code, accepted, subjects }) =>
      step === 'placement' &&
      accepted === null &&
      (code.startsWith('placement.shelf') || subjects.some(({ kind }) => kind === 'shelving' || kind === 'showpiece')),
  ),
)
const purposes = (pieceId: string): string =>
  servings.value
    .flatMap((row) => (row.pieceId === pieceId ? (needs.value.find(({ id }) => id === row.needId)?.name ?? []) : []))
    .join(', ')
/** What of it is here and can still go back. */
const returnable = (pieceId: string): PurchaseReckoning | null =>
  makeover.reckoning?.money.purchases.find(
    (line) =>
      line.pieceId === pieceId &&
      line.returnBy !== null &&
      line.returnBy >= (makeover.opened?.today ?? '') &&
      line.received - line.goingBack - line.returned > 0,
  ) ?? null
const spots = computed(() => {
  const here = pieces.value.filter(({ thing, chosenId }) => thing !== 'material' && chosenId !== null)
  const groups = groupBy(here, ({ zoneId }) => zoneId)
  return [...groups].map(([zoneId, own]) => ({
    name: zones.value.find(({ id }) => id === zoneId)?.name ?? 'The rest of the room',
    own,
  }))
})
const problem = ref('')
async function sendBack(pieceId: string, name: string, line: PurchaseReckoning): Promise<void> {
  const { opened } = makeover
  const row = opened?.makeover.rows.purchase[line.id]
  if (!opened || !row) return
  const packs = line.received - line.goingBack - line.returned
  const faults = await makeover.change(`${name} goes back: it does not work in its place`, [
    add('return', uuidv7(), {
      purchaseId: line.id,
      packs,
      sentOn: opened.today,
      reason: 'It does not work in its place',
      creditMinor: goodsValue(row, packs),
      restockingMinor: 0 as never,
      carriageMinor: 0 as never,
      settles: 'money',
      acceptedOn: null,
      wantedAgain: false,
    }),
  ])
  problem.value = faults.map(({ message }) => message).join('; ')
}
</script>

<template>
  <section aria-labelledby="pass-title">
    <div class="section-head"><h2 id="pass-title">Spot by spot</h2></div>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
    <ul v-if="crowded.length > 0" class="reveal-list">
      <li v-for="remark in crowded" :key="remark.key">
        <RemarkMark :weight="remark.weight" /> {{ remark.title }}
        <router-link class="word" :to="{ name: 'shelves', params: $route.params }">On shelves</router-link>
      </li>
    </ul>
    <div v-for="spot in spots" :key="spot.name">
      <h3>{{ spot.name }}</h3>
      <ul class="reveal-list">
        <li v-for="piece in spot.own" :key="piece.id">
          <span class="name">{{ piece.name }}</span>
          <span class="quiet">{{ purposes(piece.id) || 'for no need that was written down' }}</span>
          <span v-for="remark in said.get(piece.id) ?? []" :key="remark.title" class="remark"
            ><RemarkMark :weight="remark.weight" /> {{ remark.title }}</span
          >
          <template v-if="returnable(piece.id)">
            <button type="button" class="word" @click="sendBack(piece.id, piece.name, returnable(piece.id)!)">
              It goes back
            </button>
            <span class="quiet">until {{ writeDate(returnable(piece.id)!.returnBy!) }}</span>
          </template>
        </li>
      </ul>
    </div>
  </section>
</template>
