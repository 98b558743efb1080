<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { rowsOf } from '#core/makeover/document.ts'
import { writeLength } from '#core/measure/length.ts'
import {
  corridorOf,
  groupsOf,
  joinedOf,
  measuredFrom,
  tryRug,
  usualSizes,
  type RugSize,
  type RugTried,
} from '#core/placement/index.ts'
import { schoolOf } from '#core/rulebook/schools.ts'
import MoneyAmount from '../parts/MoneyAmount.vue'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import type { OnThePlan } from './on-the-plan.ts'

/** Every size of rug under the group that stands there: what it reaches, what stays bare, what it costs. */
const { plan } = defineProps<{ plan: OnThePlan }>()
const emit = defineEmits<{ show: [tried: RugTried | null]; size: [id: string | null] }>()
const makeover = useMakeover()
const entry = useEntry()
const groups = computed(() => {
  const corridor = plan.setting.value && corridorOf(plan.setting.value)
  return [...groupsOf(plan.bodies.value), ...(corridor ? [corridor] : [])]
})
const at = ref(0)
const group = computed(() => groups.value[at.value] ?? groups.value[0] ?? null)
const shapeOf = (pieceId: string) => plan.things.value.get(pieceId)?.footprint ?? null
const shapeWords = ({ shape }: RugSize): string =>
  !shape || shape.shape === 'rectangle' ? '' : shape.shape === 'drawn' ? ' as drawn' : ` ${shape.shape}`
const sizes = computed((): RugSize[] => {
  const opened = makeover.opened?.makeover
  if (!opened) return []
  // what candidates offer comes first, then what is on sale anywhere
  const own = rowsOf(opened, 'candidate').flatMap((row): RugSize[] =>
    row.widthMm !== null &&
    row.depthMm !== null &&
    row.turnedDown === null &&
    plan.things.value.get(row.pieceId)?.flat === true
      ? [
          {
            widthMm: row.widthMm,
            lengthMm: row.depthMm,
            priceMinor: row.priceMinor,
            own: true,
            shape: shapeOf(row.pieceId),
          },
        ]
      : [],
  )
  const rows = rowsOf(opened, 'rugSize')
  const isSame = (left: { widthMm: number; lengthMm: number }, right: { widthMm: number; lengthMm: number }): boolean =>
    Math.abs(left.widthMm - right.widthMm) < 1 && Math.abs(left.lengthMm - right.lengthMm) < 1
  const further = rows.filter(({ leftOut }) => !leftOut)
  return [
    ...own,
    ...[
      ...further.map(({ widthMm, lengthMm }) => ({ widthMm, lengthMm, priceMinor: null, own: false })),
      ...usualSizes(entry.value.units),
    ]
      .filter((size) => !rows.some((row) => row.leftOut && isSame(row, size)))
      .filter((size) => !own.some((offer) => isSame(offer, size)))
      .toSorted((left, right) => left.widthMm * left.lengthMm - right.widthMm * right.lengthMm),
  ]
})
const isSmall = computed(() => {
  const m2 = makeover.reckoning?.survey.rooms.find(({ roomId }) => roomId === plan.room.value?.id)?.areas?.floorM2
  return m2 !== undefined && m2 < plan.rules.value['room.small']
})
const schoolId = computed(() => makeover.reckoning?.practice.schools['small-rug'] ?? null)
const tried = computed(() => {
  const [setting, about] = [plan.setting.value, group.value]
  // by that school two of a size are tried as one as well
  const all = schoolId.value === 'joined' ? [...sizes.value, ...sizes.value.map(joinedOf)] : sizes.value
  return setting && about ? all.map((size) => tryRug(setting, about, size, isSmall.value, plan.rules.value)) : []
})
const shown = ref<number | null>(null)
watch([shown, tried], () => emit('show', shown.value === null ? null : (tried.value[shown.value] ?? null)), {
  immediate: true,
})
const length = (mm: number): string => writeLength(Math.round(mm), entry.value.units)
const school = computed(() => (schoolId.value ? schoolOf('small-rug', schoolId.value).name : ''))
const groupName = (members: readonly { name: string }[]): string =>
  members.length === 0 ? 'who walks along it' : members.map(({ name }) => name).join(', ')
/** Where bigger is better, the biggest that passes; in a room whose floor is to stay unbroken, none. */
const best = computed(() => {
  if (schoolId.value !== 'bigger') return null
  const good = tried.value.filter(({ verdict }) => verdict === 'good')
  return good.toSorted((left, right) => areaOf(right.size) - areaOf(left.size))[0] ?? null
})
const areaOf = ({ widthMm, lengthMm }: RugSize): number => widthMm * lengthMm
/** Two distances to tape it out by. */
const tape = computed(() => {
  const rug = shown.value === null ? null : tried.value[shown.value]
  return rug && rug.bareMm >= 0 && plan.setting.value ? measuredFrom(plan.setting.value, rug) : []
})
</script>

<template>
  <section aria-labelledby="rugs">
    <div class="section-head">
      <h2 id="rugs">
        Rug sizes
        <span class="quiet"
          ><template v-if="group">under {{ groupName(group.members) }}</template
          ><template v-if="isSmall && school">, by the school “{{ school }}”</template></span
        >
      </h2>
      <button type="button" class="word" @click="emit('size', null)">Another size</button>
    </div>
    <p v-if="groups.length > 1" class="show">
      <button
        v-for="(entryGroup, index) in groups"
        :key="index"
        type="button"
        class="word"
        :class="{ here: entryGroup === group }"
        :aria-pressed="entryGroup === group"
        @click="at = index"
      >
        {{ entryGroup.members[0]?.name }}
      </button>
    </p>
    <p v-if="!group" class="quiet">
      Place a table with its chairs, or a sofa and its low table: then every size is tried under them.
    </p>
    <div v-else class="scroll">
      <table v-cards class="placed">
        <thead>
          <tr>
            <th>Size</th>
            <th>Reaches</th>
            <th class="number">Bare to a wall</th>
            <th class="number">Beyond the table</th>
            <th class="number">Costs</th>
            <th>Verdict</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(rug, index) in tried" :key="index" :class="{ picked: shown === index }">
            <td>
              <button
                type="button"
                class="word"
                :aria-pressed="shown === index"
                @click="shown = shown === index ? null : index"
              >
                {{ length(rug.size.widthMm) }} × {{ length(rug.size.lengthMm) }}</button
              ><span class="quiet"
                >{{ rug.size.own ? ' found' : '' }}{{ shapeWords(rug.size)
                }}{{ rug.size.joined ? ' two joined' : '' }}</span
              >
            </td>
            <td>{{ rug.reach }}</td>
            <td class="number">{{ rug.bareMm < 0 ? 'through it' : length(rug.bareMm) }}</td>
            <td class="number">{{ rug.beyondMm === null ? '–' : length(rug.beyondMm) }}</td>
            <td class="number">
              <MoneyAmount
                v-if="rug.size.priceMinor !== null"
                :amount="rug.size.priceMinor"
                :currency="makeover.currency"
              /><template v-else>–</template>
            </td>
            <td>
              <strong v-if="rug.verdict === 'good'">{{
                rug === best ? 'good, and the biggest' : 'good'
              }}</strong><template v-else>{{ rug.verdict }}</template>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="tape.length > 0" role="status">
      Tape it out:
      <template v-for="(distance, index) in tape" :key="distance.wallId"
        >{{ index > 0 ? ' and ' : '' }}{{ length(distance.mm) }} from {{ distance.name }}</template
      >.
    </p>
    <p v-if="isSmall && schoolId === 'none'">By the school “{{ school }}” the floor stays bare here.</p>
    <p class="quiet">Tape it out before it is bought. An underlay keeps it from slipping, its edges down.</p>
  </section>
</template>
