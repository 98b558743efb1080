<script setup lang="ts">
import { computed, ref } from 'vue'
import { hexFromLab, type Lab } from '#core/colour/lab.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { averageReadings, labOf, library, type MeterReading } from '#core/palette/index.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { NoAnswer, Refused, request } from '../api.ts'
import { useMakeover } from '../stores/makeover.ts'

/** A colour read with a meter in several places: the mean, how far the readings spread, and which one strays. The meter is simulated. */
const { finishes } = defineProps<{ finishes: readonly Row<'finish'>[] }>()
const emit = defineEmits<{ read: [lab: Lab] }>()
const makeover = useMakeover()
const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
const surface = ref('')
const behaves = ref('well')
const behaviours = [
  { value: 'well', label: 'reads well' },
  { value: 'tilted', label: 'is held tilted, so that gloss spills in' },
  { value: 'stained', label: 'meets a stain now and then' },
  { value: 'drifting', label: 'drifts: long not calibrated' },
  { value: 'lifted', label: 'does not lie flat' },
]
const options = computed(() => [
  ...finishes.map((finish) => ({
    value: `finish ${finish.id}`,
    label: `${finish.name}, in this palette`,
    lab: labOf(finish),
  })),
  ...library.map((libraryFinish) => ({
    value: `library ${libraryFinish.name}`,
    label: libraryFinish.name,
    lab: libraryFinish.lab,
  })),
])
const lies = computed(() => options.value.find((option) => option.value === surface.value))
const readings = ref<Lab[]>([])
const taken = ref(0)
const problem = ref('')
const busy = ref(false)
const averaged = computed(() => averageReadings(readings.value, rules.value))
const strays = computed(() => new Set(averaged.value?.strays.map((stray) => stray.at)))
const seed = (text: string): number =>
  [...text].reduce((sum, letter) => (sum * 31 + (letter.codePointAt(0) ?? 0)) % 999_983, 7)
async function take(): Promise<void> {
  if (!lies.value || busy.value) return
  busy.value = true
  problem.value = ''
  try {
    const { reading } = await request<{ reading: MeterReading }>('POST', '/standins/colour-meter', {
      surface: { L: lies.value.lab.L, a: lies.value.lab.a, b: lies.value.lab.b },
      behaves: behaves.value,
      seed: seed(surface.value),
      reading: taken.value++,
    })
    if (reading.ok) readings.value = [...readings.value, reading.lab]
    else problem.value = reading.fails
  } catch (error) {
    if (error instanceof Refused) problem.value = error.problem.detail
    else if (error instanceof NoAnswer) problem.value = 'The meter gives no answer: is the server there? Try again.'
    else throw error
  } finally {
    busy.value = false
  }
}
function again(): void {
  readings.value = []
  taken.value = 0
  problem.value = ''
}
const written = ({ L, a, b }: Lab): string => `L* ${L.toFixed(1)}, a* ${a.toFixed(1)}, b* ${b.toFixed(1)}`
const said = computed(() => {
  const thisAveraged = averaged.value
  if (!thisAveraged) return ''
  const spread = `Spread ΔE ${thisAveraged.spread.toFixed(2)}`
  if (!thisAveraged.steady)
    return `${spread}: the readings do not agree, from ${rules.value['meter.spread']} on. Lay it flat, calibrate it, and read again.`
  return thisAveraged.enough
    ? `${spread}: they agree.`
    : `${spread}. Read it in ${rules.value['meter.readings']} places or more.`
})
</script>

<template>
  <div class="meter">
    <p class="simulated">
      <strong>Simulated</strong> This meter stands in for one you would hold to the wall: say what it lies on, and how
      it behaves.
    </p>
    <div class="columns">
      <label
        ><span class="label">It lies on</span
        ><el-select v-model="surface" filterable aria-label="The meter lies on" placeholder="a surface" @change="again"
          ><el-option
            v-for="option in options"
            :key="option.value"
            :value="option.value"
            :label="option.label" /></el-select
      ></label>
      <label
        ><span class="label">It</span
        ><el-select v-model="behaves" aria-label="How the meter behaves"
          ><el-option
            v-for="behaviour in behaviours"
            :key="behaviour.value"
            :value="behaviour.value"
            :label="behaviour.label" /></el-select
      ></label>
    </div>
    <div class="take">
      <el-button :disabled="!lies" :loading="busy" @click="take">Take a reading</el-button
      ><button v-if="readings.length > 0" type="button" class="word" @click="again">Begin again</button>
    </div>
    <p v-if="problem" class="error-line" role="alert">{{ problem }}</p>
    <ol v-if="readings.length > 0" aria-label="Readings">
      <li v-for="(lab, at) in readings" :key="at" :class="{ stray: strays.has(at) }">
        <i :style="{ background: hexFromLab(lab) }" /> <span>{{ written(lab) }}</span><template v-if="strays.has(at)">
          left out: ΔE {{ averaged?.strays.find((stray) => stray.at === at)?.deltaE.toFixed(1) }} from the
          others</template
        >
      </li>
    </ol>
    <div v-if="averaged" class="mean">
      <i :style="{ background: hexFromLab(averaged.mean) }" />
      <p role="status">
        <strong>{{ written(averaged.mean) }}</strong> {{ said }}
      </p>
      <el-button type="primary" @click="emit('read', averaged.mean)">Use the mean</el-button>
    </div>
  </div>
</template>

<style>
.meter {
  display: grid;
  gap: 8px;
}
.meter .simulated {
  border: 1.5px dashed var(--ink);
  padding: 4px 10px;
  font-size: 12px;
  line-height: 16px;
}
.meter .simulated strong {
  text-transform: uppercase;
  letter-spacing: 0.06em;
  margin-right: 6px;
}
.meter .take {
  display: flex;
  gap: 16px;
  align-items: center;
}
.meter ol {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 2px 16px;
  font-size: 13px;
}
.meter li i,
.meter .mean i {
  display: inline-block;
  width: 22px;
  height: 14px;
  vertical-align: -2px;
}
.meter li.stray span {
  text-decoration: line-through;
}
.meter .mean {
  display: grid;
  grid-template-columns: 44px 1fr auto;
  gap: 12px;
  align-items: center;
  border-top: 1.5px solid var(--ink);
  padding-top: 8px;
  font-size: 13px;
}
.meter .mean i {
  width: 44px;
  height: 34px;
}
</style>
