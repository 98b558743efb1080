<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { writeArea } from '#core/measure/area.ts'
import { writeLength } from '#core/measure/length.ts'
import { sum, zero } from '#core/money/minor.ts'
import { firstSights } from '#core/placement/index.ts'
import MoneyAmount from '../parts/MoneyAmount.vue'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import type { OnThePlan } from './on-the-plan.ts'

/** What is seen from a door, in the order in which it is seen, and what it still costs to finish that line of sight. */
const { plan } = defineProps<{ plan: OnThePlan }>()
const emit = defineEmits<{ look: [sight: { eye: { x: number; y: number }; hidden: ReadonlySet<string> } | null] }>()
const makeover = useMakeover()
const entry = useEntry()
const sights = computed(() =>
  makeover.opened && plan.setting.value
    ? firstSights(makeover.opened.makeover, plan.setting.value, plan.bodies.value, plan.rules.value)
    : [],
)
const at = ref(0)
const sight = computed(() => sights.value[at.value] ?? sights.value[0] ?? null)
watch(
  sight,
  (seen) =>
    emit(
      'look',
      seen && {
        eye: seen.door.middle,
        hidden: new Set(seen.things.filter(({ rank }) => rank === 'hidden').map(({ id }) => id)),
      },
    ),
  { immediate: true },
)
const stillOf = (pieceId: string | undefined) =>
  makeover.reckoning?.money.pieces.find(({ id }) => id === pieceId)?.stillToBuy ?? null
const surfaces = computed(() =>
  (sight.value?.surfaces ?? []).map(({ id, seenM2, m2 }) => ({
    id,
    name:
      plan.room.value?.walls.find(({ row }) => row.id === id)?.name ??
      id.replace(/^./, (letter) => letter.toUpperCase()),
    seenM2,
    share: m2 > 0 ? seenM2 / m2 : 0,
  })),
)
/** What the things in this line of sight still cost, those first that are seen first. */
const unfinished = computed(() => {
  const seen = new Map<string, string>()
  for (const { body, rank } of sight.value?.things ?? []) {
    const piece = body.thing?.piece
    if (piece && rank !== 'hidden' && (stillOf(piece.id) ?? 0) > 0) seen.set(piece.id, piece.name)
  }
  return [...seen].map(([id, name]) => ({ id, name, still: stillOf(id) ?? zero }))
})
const toFinish = computed(() => sum(unfinished.value.map(({ still }) => still)))
const competing = computed(() => sight.value?.things.filter(({ rank }) => rank === 'competes') ?? [])
</script>

<template>
  <section aria-labelledby="sight">
    <div class="section-head">
      <h2 id="sight">
        First sight
        <span v-if="sight" class="quiet"
          >from {{ sight.door.name }}, eyes at {{ writeLength(sight.eyeMm, entry.units) }}</span
        >
      </h2>
      <template v-if="sights.length > 1"
        ><button
          v-for="(known, index) in sights"
          :key="known.door.id"
          type="button"
          class="word"
          :class="{ here: known === sight }"
          :aria-pressed="known === sight"
          @click="at = index"
        >
          {{ known.door.name }}
        </button></template
      >
    </div>
    <p v-if="!sight" class="quiet">The room has no door in the survey: say where one comes in.</p>
    <p v-else-if="sight.things.length === 0" class="quiet">Nothing stands there yet.</p>
    <template v-else>
      <p v-if="competing.length > 0">
        <strong>{{ sight.things[0]?.body.name }}</strong> is seen first, and
        {{ competing.map(({ body }) => body.name).join(', ') }}
        {{ competing.length > 1 ? 'compete' : 'competes' }} with it: one focal point is wanted.
      </p>
      <p v-else>
        <strong>{{ sight.things[0]?.body.name }}</strong> is seen first, and nothing competes with it. Finish this line
        of sight before the rest.
      </p>
      <p v-if="unfinished.length > 0">
        To finish what is seen: <MoneyAmount :amount="toFinish" :currency="makeover.currency" /> still to buy, in this
        order: {{ unfinished.map(({ name }) => name).join(', ') }}.
      </p>
      <p v-else class="quiet">Everything that is seen from here is bought.</p>
      <div class="scroll">
        <table v-cards class="placed">
          <thead>
            <tr>
              <th>Seen</th>
              <th class="number">Of it</th>
              <th class="number">Faces the eye</th>
              <th class="number">Stands out</th>
              <th class="number">Still to buy</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="{ id, body, share, m2, contrast, rank } in sight.things" :key="id">
              <td>
                <strong v-if="rank === 'first'">{{ body.name }}, first</strong
                ><template v-else
                  >{{ body.name
                  }}{{ rank === 'competes' ? ', competes' : rank === 'hidden' ? ', hidden' : '' }}</template
                >
              </td>
              <td class="number">{{ Math.round(100 * share) }} %</td>
              <td class="number">{{ writeArea(m2, entry.units) }}</td>
              <td class="number">{{ contrast === null ? 'colour not known' : `ΔE ${contrast.toFixed(0)}` }}</td>
              <td class="number">
                <MoneyAmount
                  v-if="stillOf(body.thing?.piece.id)"
                  :amount="stillOf(body.thing?.piece.id) ?? zero"
                  :currency="makeover.currency"
                /><template v-else>–</template>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p class="quiet">
        What is seen is its size as it faces the eye, times how far it stands out from the wall behind it or the floor
        under it, times the height of its place: on the floor it counts {{ plan.rules.value['sight.low'] }} %. Of the
        room:
        <template v-for="(surface, index) in surfaces" :key="surface.id"
          >{{ index > 0 ? ', ' : '' }}{{ surface.name }} {{ Math.round(100 * surface.share) }} %</template
        >.
      </p>
    </template>
  </section>
</template>
