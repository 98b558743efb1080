<script setup lang="ts">
import { computed } from 'vue'
import { writeLength } from '#core/measure/length.ts'
import { groupWays, type WallScene } from '#core/placement/index.ts'
import FieldText from '../parts/FieldText.vue'
import FilterChoice from '../parts/FilterChoice.vue'
import { distanceField } from '../parts/form.ts'
import { useEntry } from '../stores/entry.ts'
import { reactive, watch } from 'vue'
import type { Grouping } from './grouping.ts'

/** Several works as one: what is taken, how it is laid out, about what; dashed on the wall until it is hung. */
const { grouping, scene } = defineProps<{ grouping: Grouping; scene: WallScene }>()
const entry = useEntry()
const length = (mm: number): string => writeLength(Math.round(mm), entry.value.units)
const fields = reactive({
  gap: distanceField(entry.value, grouping.gapMm.value),
  step: distanceField(entry.value, grouping.stepMm.value),
})
watch(
  () => [fields.gap.text, fields.step.text],
  () => {
    const [gap, step] = [fields.gap.read(fields.gap.text), fields.step.read(fields.step.text)]
    fields.gap.error = gap.ok ? '' : gap.error
    fields.step.error = step.ok ? '' : step.error
    if (gap.ok) grouping.gapMm.value = gap.value
    if (step.ok) grouping.stepMm.value = step.value
  },
)
const ways = groupWays.map((value) => ({ value, label: value }))
const abouts = computed(() => scene.before.map(({ id, name }) => ({ value: id, label: name })))
const steps = computed(() => grouping.way.value === 'mirrored' || grouping.way.value === 'low-high-low')
const share = computed(() => {
  const over = grouping.about.value
  return over && grouping.tried.value
    ? Math.round((100 * grouping.tried.value.widthMm) / (over.right - over.left))
    : null
})
</script>

<template>
  <section aria-labelledby="as-one">
    <div class="section-head"><h2 id="as-one">Hung as one</h2></div>
    <ul class="to-hang">
      <li v-for="member in grouping.entries.value" :key="member.id">
        <label
          ><input
            type="checkbox"
            :checked="grouping.chosen.value.has(member.id)"
            @change="grouping.toggle(member.id)"
          />
          {{ member.name }}
          <span class="quiet">{{ length(member.thing.widthMm) }} × {{ length(member.thing.heightMm) }}</span></label
        >
      </li>
    </ul>
    <p class="grouping">
      <FilterChoice v-model="grouping.way.value" label="Laid out" :options="ways" />
      <FilterChoice v-model="grouping.aboutId.value" label="About the middle of" :options="abouts" none="the wall" />
      <button v-if="grouping.about.value" type="button" class="word" @click="grouping.fit">
        What fits over {{ grouping.about.value.name }}
      </button>
    </p>
    <div class="grouping">
      <FieldText :field="fields.gap" label="Between them" :unit="entry.unit" />
      <FieldText v-if="steps" :field="fields.step" label="Each pair lower by" :unit="entry.unit" />
      <label class="group-name"
        ><span>Called</span><el-input v-model="grouping.name.value" :placeholder="grouping.known.value" :maxlength="60"
      /></label>
    </div>
    <p v-if="grouping.isNone.value" class="quiet" role="status">
      Nothing that is at hand comes to two thirds or three quarters of it.
    </p>
    <template v-if="grouping.tried.value">
      <p role="status">
        {{ length(grouping.tried.value.widthMm) }} wide, {{ length(grouping.tried.value.heightMm) }} high<template
          v-if="share !== null"
          >, {{ share }} % of {{ grouping.about.value?.name }}</template
        >; its weight lies {{ length(grouping.tried.value.offMm) }} off its middle. It is dashed on the wall.
        <template v-if="grouping.odd.value.length > 0"
          >No twin for {{ grouping.odd.value.join(', ') }}: left out.</template
        >
      </p>
      <el-button @click="grouping.hang">Hang them so</el-button>
    </template>
    <p v-else class="quiet">Take two or more.</p>
  </section>
</template>
