<script setup lang="ts">
import { computed } from 'vue'
import { byId } from '#core/makeover/by-id.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import { writeQuantity } from '#core/measure/quantity.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'

/** What has to be possible in the room, by how much it is wanted, and what serves it. */
const emit = defineEmits<{ open: [need: Row<'need'> | null] }>()
const makeover = useMakeover()
const needs = useRows('need')
const rooms = useRows('room')
const zones = useRows('zone')
const reckoned = (need: Row<'need'>) => byId(makeover.reckoning?.needs, need.id)
const serving = (need: Row<'need'>): string =>
  (reckoned(need)?.pieceIds ?? []).map((id) => makeover.opened?.makeover.rows.piece[id]?.name ?? '').join(', ')
const covered = (need: Row<'need'>): boolean => reckoned(need)?.covered ?? false
/** Covered, only for now, not yet, or struck out by the client. */
const state = (need: Row<'need'>): string => {
  const found = reckoned(need)
  return need.struckOn ? 'struck out' : found?.forNow ? 'for now' : found?.covered ? 'yes' : 'not yet'
}
/** How much of it is wanted, and how much of that what is chosen takes. */
const amountOf = (need: Row<'need'>): string => {
  const { holds = null, unsaid = [] } = reckoned(need) ?? {}
  if (need.amount === null) return ''
  const taken = holds === null || holds === 0 || unsaid.length > 0 ? '' : `, ${writeQuantity(holds, need.unit)} taken`
  return `${writeQuantity(need.amount, need.unit)}${taken}`
}
const place = (need: Row<'need'>): string =>
  [
    need.who && `for ${need.who}`,
    amountOf(need),
    need.untilOn && `until ${writeDate(need.untilOn)}`,
    need.struckOn && `struck out on ${writeDate(need.struckOn)}${need.struckReason ? `: ${need.struckReason}` : ''}`,
    byId(zones.value, need.zoneId)?.name ?? (rooms.value.length > 1 ? byId(rooms.value, need.roomId)?.name : ''),
  ]
    .filter(Boolean)
    .join(' · ')
const order = { must: 0, should: 1, nice: 2 }
const sorted = computed(() =>
  needs.value.toSorted(
    (left, right) =>
      Number(left.struckOn !== null) - Number(right.struckOn !== null) ||
      order[left.importance] - order[right.importance],
  ),
)
</script>

<template>
  <section aria-labelledby="needs-title">
    <div class="section-head">
      <h2 id="needs-title">What the room is for</h2>
      <button type="button" class="word" @click="emit('open', null)">Add a need<kbd aria-hidden="true">N</kbd></button>
    </div>
    <p v-if="needs.length === 0" class="quiet">
      Write down what has to be possible here: sit, read, play, store, host. Pieces are then held against it.
    </p>
    <table v-cards v-else>
      <thead>
        <tr>
          <th>Need</th>
          <th class="keep">How much</th>
          <th>Served by</th>
          <th>Covered</th>
          <th><span class="visually-hidden">Change</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="need in sorted" :key="need.id" :data-line="need.id" :class="{ struck: need.struckOn }">
          <td class="what">
            <strong>{{ need.name }}</strong> <span class="quiet place">{{ place(need) }}</span>
          </td>
          <td>{{ need.importance }}</td>
          <td :class="{ quiet: !serving(need) }">{{ serving(need) || 'nothing yet' }}</td>
          <td class="keep">
            <span
              v-if="!need.struckOn"
              class="covered"
              :class="{ yes: covered(need) && !reckoned(need)?.forNow, 'for-now': reckoned(need)?.forNow }"
              aria-hidden="true"
            />{{ state(need) }}
          </td>
          <td class="number">
            <button type="button" class="word" :aria-label="`Change ${need.name}`" @click="emit('open', need)">
              Change
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style>
.covered {
  display: inline-block;
  width: 10px;
  height: 10px;
  border: 1.5px solid var(--ink);
  border-radius: 50%;
  margin-right: 7px;
}
.covered.for-now {
  background: linear-gradient(90deg, var(--ink) 50%, transparent 50%);
}
tr.struck strong {
  text-decoration: line-through;
}
.covered.yes {
  background: var(--ink);
}
</style>
