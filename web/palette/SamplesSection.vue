<script setup lang="ts">
import { computed, ref } from 'vue'
import { lights, type Light } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeShortDate } from '#core/measure/plain-date.ts'
import { unseenByLamp } from '#core/palette/index.ts'
import { letterOf, wallsOf } from '#core/survey/index.ts'
import { useSetting } from '../stores/setting.ts'
import MaterialSwatch from '../parts/MaterialSwatch.vue'
import RowDialog from '../parts/RowDialog.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { sampleForm, viewingForm } from './sample-form.ts'

/** Every finish that has a sample or should have one, by the lights it was looked at in. */
const { finishes } = defineProps<{ finishes: readonly Row<'finish'>[] }>()
const makeover = useMakeover()
const setting = useSetting()
const samples = useRows('sample')
const viewings = useRows('viewing')
const asked = computed(
  () =>
    new Map((makeover.opened ? unseenByLamp(makeover.opened.makeover) : []).map((shown) => [shown.finish.id, shown])),
)
const rows = computed(() =>
  finishes
    .map((finish) => ({
      finish,
      own: samples.value.filter((row) => row.finishId === finish.id),
      open: asked.value.get(finish.id),
    }))
    .filter(({ own, open }) => own.length > 0 || open)
    .map((row) => ({
      ...row,
      looks: (light: Light) =>
        viewings.value.filter(
          (viewing) => viewing.light === light && row.own.some((sample) => sample.id === viewing.sampleId),
        ),
    })),
)
const wallLetter = (roomId: string, wallId: string | null): string => {
  const at =
    makeover.opened && wallId ? wallsOf(makeover.opened.makeover, roomId).findIndex((wall) => wall.id === wallId) : -1
  return at < 0 ? '' : letterOf(at)
}
const stage = (own: readonly Row<'sample'>[]): string => {
  const here = own.find((row) => row.cameOn !== null)
  const ordered = own.find((row) => row.orderedOn !== null)
  if (here?.cameOn) return `here since ${writeShortDate(here.cameOn)}`
  return ordered?.orderedOn ? `ordered ${writeShortDate(ordered.orderedOn)}` : own.length > 0 ? 'wanted' : 'none yet'
}

type Opened = { finish: Row<'finish'>; viewing: Row<'viewing'> | null; light: Light }
const opened = ref<Opened | null>(null)
const looking = ref(false)
const spec = computed(() =>
  setting.value && opened.value
    ? viewingForm(
        setting.value,
        opened.value.finish,
        samples.value.find((row) => row.finishId === opened.value?.finish.id)?.id ?? null,
        opened.value.light,
      )
    : null,
)
function look(finish: Row<'finish'>, light: Light, viewing: Row<'viewing'> | null): void {
  opened.value = { finish, light, viewing }
  looking.value = true
}
const sampleFinish = ref<Row<'finish'> | null>(null)
const sampleRow = ref<Row<'sample'> | null>(null)
const sampleOpen = ref(false)
const sampleSpec = computed(() =>
  setting.value && sampleFinish.value ? sampleForm(setting.value, sampleFinish.value, viewings.value) : null,
)
function note(finish: Row<'finish'>, row: Row<'sample'> | null): void {
  sampleFinish.value = finish
  sampleRow.value = row
  sampleOpen.value = true
}
defineExpose({ note })
</script>

<template>
  <section class="samples" aria-labelledby="samples-title">
    <div class="section-head">
      <h2 id="samples-title">Samples, by the light they were seen in</h2>
      <span class="quiet">a paint or paper is asked for until it was seen by lamp light</span>
    </div>
    <div v-if="rows.length > 0" class="scroll" tabindex="0" role="region" aria-label="Samples">
      <table v-cards>
        <thead>
          <tr>
            <th>Finish</th>
            <th>Sample</th>
            <th v-for="light in lights" :key="light">{{ light }}</th>
            <th>Verdict</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.finish.id">
            <td>
              <span class="chip-small"><MaterialSwatch :finish="row.finish" :scale="0.4" /></span> {{ row.finish.name
              }}<span v-if="row.open?.chosen" class="inverted before">before it is ordered</span>
            </td>
            <td>
              <button
                v-if="row.own.length > 0"
                type="button"
                class="word"
                :aria-label="`The sample of ${row.finish.name}`"
                @click="note(row.finish, row.own[0] ?? null)"
              >
                {{ stage(row.own) }}</button><button
                v-else
                type="button"
                class="word"
                :aria-label="`Note a sample of ${row.finish.name}`"
                @click="note(row.finish, null)"
              >
                none yet
              </button>
            </td>
            <td v-for="light in lights" :key="light" class="look">
              <button
                v-for="thisLook in row.looks(light)"
                :key="thisLook.id"
                type="button"
                class="bare seen"
                :aria-label="`By ${light} light, ${row.finish.name}: ${thisLook.verdict}${thisLook.judgedBy ? ` by ${thisLook.judgedBy}` : ''}`"
                :title="thisLook.note"
                @click="look(row.finish, light, thisLook)"
              >
                <i :class="thisLook.verdict" aria-hidden="true" /> {{ thisLook.verdict
                }}<span class="quiet"
                  >{{
                    wallLetter(row.finish.roomId, thisLook.wallId)
                      ? ` on ${wallLetter(row.finish.roomId, thisLook.wallId)}`
                      : ''
                  }}{{ thisLook.judgedBy ? `, ${thisLook.judgedBy}` : '' }}</span
                >
              </button>
              <button
                type="button"
                class="word add"
                :class="{ wanted: light === 'lamp' && row.open }"
                :aria-label="`Note how ${row.finish.name} looks by ${light} light`"
                @click="look(row.finish, light, null)"
              >
                {{ row.looks(light).length === 0 ? 'look' : '+' }}
              </button>
            </td>
            <td>
              {{ row.own[0]?.verdict ?? 'open'
              }}<span v-if="row.own[0]?.judgedBy" class="quiet">, {{ row.own[0].judgedBy }}</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-else class="quiet">No sample yet, and no paint or paper that wants one.</p>
    <RowDialog v-if="spec" v-model="looking" :form="spec" :row="opened?.viewing ?? null" />
    <RowDialog v-if="sampleSpec" v-model="sampleOpen" :form="sampleSpec" :row="sampleRow" />
  </section>
</template>

<style>
.samples {
  margin: 26px 14px 0;
}
.samples .chip-small {
  display: inline-block;
  width: 26px;
  height: 16px;
  margin-right: 6px;
  vertical-align: -3px;
}
.samples .before {
  font-size: 12px;
  margin-left: 8px;
}
.samples .look {
  font-size: 12px;
  line-height: 16px;
}
.samples .seen {
  display: block;
  min-height: 24px;
  font-size: 12px;
  text-align: left;
}
.samples .seen:hover {
  text-decoration: underline;
}
.samples .seen i {
  display: inline-block;
  width: 10px;
  height: 10px;
  border: 1.5px solid var(--ink);
  vertical-align: -1px;
}
.samples .seen i.right {
  background: var(--ink);
}
.samples .seen i.wrong {
  background:
    linear-gradient(45deg, transparent 40%, var(--ink) 40% 60%, transparent 60%),
    linear-gradient(-45deg, transparent 40%, var(--ink) 40% 60%, transparent 60%);
}
.samples .add {
  font-size: 12px;
  color: var(--soft);
}
.samples .add.wanted {
  color: var(--ink);
  font-weight: 700;
  border: 1.5px dashed var(--ink);
  padding: 0 6px;
}
@media (max-width: 720px) {
  .samples {
    margin: 22px 4px 0;
  }
}
</style>
