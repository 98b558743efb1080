<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { useRoute } from 'vue-router'
import { computed, ref, useTemplateRef } from 'vue'
import { hexFromLab } from '#core/colour/lab.ts'
import { paletteFinishes } from '#core/makeover/document.ts'
import { writeArea } from '#core/measure/area.ts'
import { remove } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { compare, labOf, lrvWords } from '#core/palette/index.ts'
import { citeRule, effectiveRules } from '#core/rulebook/rulebook.ts'
import { useKeys } from '../frame/keys.ts'
import MaterialSwatch from '../parts/MaterialSwatch.vue'
import RemarkList from '../remarks/RemarkList.vue'
import StepRemarks from '../remarks/StepRemarks.vue'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { useSetting } from '../brief/setting.ts'
import RowDialog from '../parts/RowDialog.vue'
import FilesOf from '../files/FilesOf.vue'
import { writeShortDate } from '#core/measure/plain-date.ts'
import FinishDialog from './FinishDialog.vue'
import { printOf } from './print.ts'
import { sampleForm } from './sample-form.ts'
import TieTable from './TieTable.vue'
import { layTray } from './tray.ts'

const makeover = useMakeover()
const finishes = computed(() => (makeover.opened ? paletteFinishes(makeover.opened.makeover) : []))
const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
const patternParts = useRows('patternPart')
const samples = useRows('sample')
const pieces = useRows('piece')
const setting = useSetting()
const frame = useTemplateRef<HTMLElement>('frame')
const { width, height } = useElementSize(frame)
const areaOf = (finish: Row<'finish'>) => makeover.reckoning?.survey.finishes.get(finish.id)
const entry = useEntry()
const tray = computed(() => layTray(finishes.value.map((finish) => ({ ...finish, visibleM2: areaOf(finish)?.m2 ?? null })), Math.max(0.5, width.value / Math.max(1, height.value))))
const percent = (fraction: number): string => `${100 * fraction}%`

const route = useRoute()
const oneId = ref<string | null>(typeof route.query.open === 'string' ? route.query.open : null)
const otherId = ref('')
const one = computed(() => finishes.value.find((finish) => finish.id === oneId.value) ?? null)
const other = computed(() => finishes.value.find((finish) => finish.id === otherId.value && finish.id !== oneId.value) ?? null)
const reading = (finish: Row<'finish'>) => makeover.reckoning?.palette.finishes.find((reckoned) => reckoned.id === finish.id)
const swatch = (finish: Row<'finish'>) => ({ family: finish.family, lab: labOf(finish) })
const pair = computed(() => (one.value && other.value ? compare(swatch(one.value), swatch(other.value), rules.value) : null))
const remarksOf = (id: string) => (makeover.reckoning?.remarks ?? []).filter((remark) => remark.subjects.some((subject) => subject.id === id))
const remarks = computed(() => {
  if (!one.value) return (makeover.reckoning?.remarks ?? []).filter((remark) => remark.step === 'palette')
  const of = other.value
  return of ? remarksOf(one.value.id).filter((remark) => remark.subjects.some((subject) => subject.id === of.id)) : remarksOf(one.value.id)
})
const undertoneWord = (id: string): string => {
  const tone = makeover.reckoning?.palette.finishes.find((finish) => finish.id === id)?.undertone
  return tone ? (tone.lean ?? tone.cast ?? 'none') : ''
}

const printed = (finish: Row<'finish'>) => printOf(finish, finishes.value, patternParts.value)
const samplesOf = (finish: Row<'finish'>): Row<'sample'>[] => samples.value.filter((row) => row.finishId === finish.id)
const sampleOpen = ref(false)
const sampleEdited = ref<Row<'sample'> | null>(null)
const sampleSpec = computed(() => (setting.value && one.value ? sampleForm(setting.value, one.value) : null))
function openSample(row: Row<'sample'> | null): void {
  sampleEdited.value = row
  sampleOpen.value = true
}
const placeName = ({ kind, id }: { kind: 'finish' | 'piece'; id: string }): string => (kind === 'piece' ? pieces.value.find((piece) => piece.id === id)?.name : finishes.value.find((finish) => finish.id === id)?.name) ?? ''
const carrier = (finish: Row<'finish'>): string => pieces.value.find((piece) => piece.id === finish.pieceId)?.name ?? ''
/** The school's targets, as marks on the ruler: where each role should end. */
const target = (role: 'dominant' | 'secondary' | 'accent'): number | null => (makeover.reckoning?.practice.chosen.includes('colours') && makeover.reckoning.practice.schools.colours === 'sixty-thirty-ten' ? rules.value[`balance.${role}`] : null)

/** A click takes a finish up; with Shift, or while pairing, it is laid beside the one in hand. */
const pairing = ref(false)
function pick(finish: Row<'finish'>, event?: MouseEvent): void {
  if (one.value && one.value.id !== finish.id && (pairing.value || event?.shiftKey)) {
    otherId.value = finish.id
    pairing.value = false
    return
  }
  oneId.value = oneId.value === finish.id && !other.value ? null : finish.id
  otherId.value = ''
}
const dialogOpen = ref(false)
const edited = ref<Row<'finish'> | null>(null)
const problem = ref('')
function openDialog(finish: Row<'finish'> | null): void {
  edited.value = finish
  dialogOpen.value = true
}
async function takeAway(finish: Row<'finish'>): Promise<void> {
  const gone = [...samplesOf(finish).map((row) => remove('sample', row)), ...patternParts.value.filter((row) => row.finishId === finish.id).map((row) => remove('patternPart', row))]
  const faults = await makeover.change(`Took ${finish.name} out of the palette`, [...gone, remove('finish', finish)])
  problem.value = faults.map((fault) => fault.message).join('; ')
  if (faults.length === 0) oneId.value = null
}
function swap(): void {
  const [first, second] = [oneId.value, otherId.value]
  if (!first || !second) return
  oneId.value = second
  otherId.value = first
}
useKeys([
  { key: 'n', does: 'A new finish', run: () => openDialog(null) },
  { key: 'c', does: 'Lay the next finish you pick beside the one in hand', run: () => (pairing.value = one.value !== null && !pairing.value) },
  { key: 'm', does: 'Note a sample of the finish in hand', run: () => one.value && openSample(null) },
  { key: 'x', does: 'Swap the two that are compared', run: swap },
])
const judged = computed(() => finishes.value.filter(areaOf).length)
const measured = computed(() => finishes.value.filter((finish) => areaOf(finish)?.from === 'survey').length)
</script>

<template>
  <div class="palette">
    <div class="page-head">
      <h1>Palette</h1>
      <span class="quiet">each finish as large as it is in the room{{ measured > 0 ? ', surfaces as measured' : ', its area judged by eye' }}</span>
      <span class="end"><button type="button" class="word" @click="openDialog(null)">Add a finish<kbd>N</kbd></button></span>
    </div>
    <StepRemarks step="palette" />
    <p v-if="finishes.length === 0" class="opening">No finish yet. <button type="button" class="word" @click="openDialog(null)">Lay down the first</button>: the walls, the floor that stays, the cloth it all began with.</p>
    <template v-else>
      <div ref="frame" class="tray-ground on-ground">
        <button
          v-for="place in tray.places"
          :key="place.finish.id"
          type="button"
          class="bare in-tray"
          :class="{ picked: place.finish.id === oneId || place.finish.id === otherId }"
          :aria-pressed="place.finish.id === oneId || place.finish.id === otherId"
          :aria-label="`${place.finish.name}, ${place.finish.usedFor || place.finish.family}`"
          :style="{ left: percent(place.left), top: percent(place.top), width: percent(place.width), height: percent(place.height) }"
          @click="pick(place.finish, $event)"
        >
          <MaterialSwatch :finish="place.finish" :print="printed(place.finish)" />
          <span class="name">
            <strong>{{ place.finish.name }}<span v-if="place.finish.fate" class="fixed" title="It is there already and stays">fixed</span></strong>
            <span>{{ place.finish.usedFor }}<template v-if="place.width > 0.18">&ensp;LRV {{ Math.round(reading(place.finish)?.lrv ?? 0) }}</template></span>
          </span>
        </button>
      </div>
      <div class="ruler">
        <div v-for="column in tray.columns" :key="column.role" :style="{ left: percent(column.left), width: percent(column.width) }">
          <span>{{ column.role }} <strong>{{ Math.round((makeover.reckoning?.palette.shares[column.role] ?? column.share) * 100) }} %</strong><template v-if="target(column.role) !== null"> of {{ target(column.role) }}</template></span>
        </div>
      </div>
      <p class="quiet under">
        {{ judged }} of {{ finishes.length }} finishes have an area<template v-if="measured > 0">, {{ measured }} from the survey</template>.
        <template v-if="tray.places.some((place) => place.smallest)">Drawn larger than they are, to be seen at all: {{ tray.places.filter((place) => place.smallest).map((place) => place.finish.name).join(', ') }}.</template>
      </p>
      <TieTable v-if="makeover.reckoning && makeover.reckoning.palette.ties.length > 0" :palette="makeover.reckoning.palette" />
      <p v-if="pairing" class="quiet" role="status">Pick the finish to lay beside {{ one?.name }}.</p>
      <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
    </template>

    <Teleport defer to="#tag">
      <section v-if="one" class="tag" aria-label="Finish">
        <span class="hole" aria-hidden="true" />
        <div class="laid" :class="{ two: other }">
          <div><MaterialSwatch :finish="one" :print="printed(one)" /></div>
          <div v-if="other"><MaterialSwatch :finish="other" :print="printed(other)" /></div>
        </div>
        <template v-if="other && pair">
          <h2>{{ one.name }} beside {{ other.name }}</h2>
          <p>{{ pair.sentence }} {{ pair.seen }}</p>
          <hr />
          <dl class="pairs">
            <div><dt>Difference</dt><dd><strong>ΔE {{ pair.deltaE.toFixed(1) }}</strong></dd></div>
          </dl>
          <table class="beside-table">
            <tbody>
              <tr><th scope="row">Undertone</th><td>{{ undertoneWord(one.id) }}</td><td>{{ undertoneWord(other.id) }}</td></tr>
              <tr><th scope="row">LRV, estimate</th><td>{{ Math.round(pair.lrv[0]) }}</td><td>{{ Math.round(pair.lrv[1]) }}</td></tr>
              <tr><th scope="row">In the room</th><td>{{ one.usedFor || one.family }}</td><td>{{ other.usedFor || other.family }}</td></tr>
            </tbody>
          </table>
          <p v-if="pair.clash && remarks.length === 0"><strong>They clash</strong>: {{ pair.clash.measured.toFixed(1) }} {{ pair.clash.measure }}, from {{ citeRule(pair.clash.rule, rules) }}.</p>
          <p v-else-if="!pair.clash && pair.undertones[0].group && pair.undertones[0].group === pair.undertones[1].group" class="quiet">Of one family, and their undertones agree.</p>
          <RemarkList :remarks="remarks" />
          <div class="tag-actions"><el-button @click="swap">Swap</el-button><el-button @click="otherId = ''">Put it back</el-button></div>
        </template>
        <template v-else>
          <h2>{{ one.name }}</h2>
          <p>{{ reading(one)?.undertone.words.replace(/^./, (letter) => letter.toUpperCase()) }}<template v-if="reading(one)?.undertone.warmth">, {{ reading(one)?.undertone.warmth }}</template>.</p>
          <hr />
          <dl class="pairs">
            <div><dt>Role</dt><dd>{{ one.role }}</dd></div>
            <div><dt>Family</dt><dd>{{ one.family }}, {{ one.sheen }}</dd></div>
            <div><dt>In the room</dt><dd>{{ one.usedFor || '–' }}</dd></div>
            <div><dt>LRV, an estimate</dt><dd>{{ Math.round(reading(one)?.lrv ?? 0) }}, {{ lrvWords(reading(one)?.lrv ?? 0, rules) }}</dd></div>
            <div><dt>Undertone</dt><dd>{{ undertoneWord(one.id) }}</dd></div>
            <div><dt>Lab, D65 2°</dt><dd>{{ one.labL.toFixed(1) }} {{ one.labA.toFixed(1) }} {{ one.labB.toFixed(1) }}</dd></div>
            <div><dt>On this screen</dt><dd>{{ hexFromLab(labOf(one)) }}<template v-if="!reading(one)?.showable">, the nearest it can</template></dd></div>
            <div v-if="carrier(one)"><dt>Carried by</dt><dd>{{ carrier(one) }}</dd></div>
            <div v-if="one.pattern !== 'plain'"><dt>Pattern</dt><dd>{{ one.patternScale }} {{ one.pattern }}</dd></div>
            <div><dt>Appears</dt><dd>{{ (reading(one)?.appears ?? []).map(placeName).join(', ') }}</dd></div>
            <div v-if="one.fate"><dt>There already</dt><dd>{{ { keep: 'kept', change: 'to be changed', camouflage: 'camouflaged' }[one.fate] }}<template v-if="one.condition">, {{ one.condition }}</template><template v-if="one.laidYear">, since {{ one.laidYear }}</template></dd></div>
            <div><dt>{{ areaOf(one)?.from === 'survey' ? 'Area, measured' : 'Area by eye' }}</dt><dd>{{ areaOf(one) ? writeArea(areaOf(one)?.m2 ?? 0, entry.units) : 'not judged' }}<span v-if="areaOf(one)?.from === 'survey'" class="quiet place">{{ areaOf(one)?.how }}</span></dd></div>
          </dl>
          <div class="samples">
            <p v-for="row in samplesOf(one)" :key="row.id"><button type="button" class="word" @click="openSample(row)">Sample</button> {{ row.cameOn ? `here since ${writeShortDate(row.cameOn)}` : row.orderedOn ? `ordered ${writeShortDate(row.orderedOn)}` : 'wanted' }}; {{ row.seenIn ? `seen at ${row.seenIn}` : 'not seen yet' }}; {{ row.verdict }}{{ row.judgedBy ? ` by ${row.judgedBy}` : '' }}</p>
            <button type="button" class="word" @click="openSample(null)">{{ samplesOf(one).length > 0 ? 'Another sample' : 'Note a sample' }}</button>
          </div>
          <FilesOf :of="{ finishId: one.id }" :name="one.name" pictures />
          <label class="label" for="lay-beside">Lay beside</label>
          <el-select id="lay-beside" v-model="otherId" aria-label="Lay beside" placeholder="another finish">
            <el-option v-for="finish in finishes.filter((each) => each.id !== one?.id)" :key="finish.id" :value="finish.id" :label="finish.name" />
          </el-select>
          <RemarkList :remarks="remarks" />
          <div class="tag-actions">
            <el-button @click="openDialog(one)">Change</el-button>
            <el-button @click="takeAway(one)">Take out</el-button>
          </div>
        </template>
      </section>
      <section v-else-if="finishes.length > 0" class="tag">
        <span class="hole" aria-hidden="true" />
        <h2>Take up a finish</h2>
        <p class="quiet">Pick one to read it; hold Shift and pick another to lay the two edge to edge.</p>
        <RemarkList :remarks="remarks" />
      </section>
      <p class="caution quiet">Computed, and a screen is not a sample: paint a board, hold it to the others in the room, and look again in the evening.</p>
    </Teleport>
    <FinishDialog v-model="dialogOpen" :finish="edited" />
    <RowDialog v-if="sampleSpec" v-model="sampleOpen" :form="sampleSpec" :row="sampleEdited" />
  </div>
</template>

<style>
.palette { display: flex; flex-direction: column; min-height: calc(100vh - 76px - 58px); }
.tray-ground { position: relative; background: var(--ground); flex: 1; min-height: 380px; outline: 14px solid var(--ground); margin: 8px 14px 14px; }
.in-tray { position: absolute; overflow: hidden; }
.in-tray .name { position: absolute; left: 8px; bottom: 8px; background: var(--paper); color: var(--ink); padding: 3px 6px 4px; display: grid; font-size: 12px; line-height: 15px; max-width: calc(100% - 12px); text-align: left; }
.in-tray .name strong { font-size: 13px; line-height: 17px; font-weight: 600; }
.in-tray .fixed { font-weight: 400; font-size: 11px; border: 1px solid var(--ink); padding: 0 3px; margin-left: 5px; }
.in-tray .name > * { overflow: hidden; text-overflow: ellipsis; }
.in-tray.picked { z-index: 1; outline: 4px solid var(--on-ground); outline-offset: -4px; }
.in-tray:focus-visible { z-index: 2; outline: 4px solid var(--ink); outline-offset: -4px; box-shadow: inset 0 0 0 7px var(--paper); }
.ruler { position: relative; height: 34px; margin: 8px 14px 0; }
.ruler > div { position: absolute; top: 0; border-top: 1.5px solid var(--ink); border-left: 1.5px solid var(--ink); padding: 6px 0 0 6px; white-space: nowrap; font-size: 13px; }
.ruler span::first-letter { text-transform: uppercase; }
.palette .under { font-size: 12px; line-height: 16px; margin: 4px 14px 0; }
.samples { font-size: 13px; line-height: 18px; }
.samples .word { font-size: 13px; }
.laid { background: var(--ground); padding: 14px; display: grid; grid-template-columns: 1fr; height: 112px; }
.laid.two { grid-template-columns: 1fr 1fr; }
.beside-table th { border: 0; padding: 2px 8px 2px 0; font-size: 14px; line-height: 20px; white-space: nowrap; vertical-align: top; }
.beside-table td { border: 0; padding: 2px 0 2px 8px; text-align: right; }
.beside-table tbody th { color: var(--soft); text-align: left; }
.caution { font-size: 12px; line-height: 17px; margin-top: 14px; }
</style>
