<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { installSheet } from '#core/calendar/index.ts'
import { edit } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeDate, writeShortDate, writeWeekdayDate } from '#core/measure/plain-date.ts'
import FilesOf from '../files/FilesOf.vue'
import type { AnyRowForm } from '../parts/rowform.ts'
import RowDialog from '../parts/RowDialog.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useSession } from '../stores/session.ts'
import { useRows } from '../stores/rows.ts'
import { useCalendar } from './calendar.ts'
import CalendarWays from './CalendarWays.vue'
import { snagForm } from './coming-forms.ts'

/** The install day, as one stands in it with a phone: in the order of carrying in, where it goes, what to bring, and what is not right yet. */
const makeover = useMakeover()
const session = useSession()
const calendar = useCalendar()
const { today } = calendar
const [rooms, pieces, snags, pictures] = [useRows('room'), useRows('piece'), useRows('snag'), useRows('attachment')]
const sheet = computed(() => {
  const { opened, reckoning } = makeover
  return opened && reckoning
    ? installSheet(opened.makeover, reckoning.schedule, reckoning.money, reckoning.practice.rules, opened.today)
    : null
})
/** Carried in on this page, for as long as it is open: the task is what is ticked off for good. */
const carried = ref<ReadonlySet<string>>(new Set())
function carry(key: string): void {
  const next = new Set(carried.value)
  if (!next.delete(key)) next.add(key)
  carried.value = next
}
const snagId = ref<string | null>(null)
const isOpen = ref(false)
const form = computed(() => snagForm(rooms.value, pieces.value, pictures.value) as unknown as AnyRowForm)
function open(id: string | null): void {
  snagId.value = id
  void nextTick(() => (isOpen.value = true))
}
const right = (snag: Row<'snag'>): Promise<unknown> =>
  makeover.change(snag.doneOn ? `Not right after all: ${snag.says}` : `Put right: ${snag.says}`, [
    edit('snag', snag, { doneOn: snag.doneOn ? null : today.value }),
  ])
const roomOf = (id: string | null): string => rooms.value.find((room) => room.id === id)?.name ?? ''
</script>

<template>
  <div class="calendar install-sheet">
    <div class="page-head">
      <h1>Install day</h1>
      <span v-if="sheet?.on">{{ writeWeekdayDate(sheet.on) }}</span>
      <span class="page-acts"><CalendarWays /></span>
    </div>
    <p v-if="!sheet || sheet.parts.length === 0" class="opening">
      Nothing is carried in yet: what is chosen in
      <router-link class="word" :to="{ name: 'pieces', params: $route.params }">Pieces</router-link> stands here in the
      order of carrying in.
    </p>
    <template v-else>
      <p class="bring"><strong>Bring</strong> {{ sheet.bring.join(', ') }}.</p>
      <section v-for="part in sheet.parts" :key="part.task.key" :aria-label="part.task.name">
        <div class="section-head">
          <h2>{{ part.task.name }}</h2>
          <el-button v-if="today" @click="calendar.tick(part.task, today)">All done</el-button>
        </div>
        <ul class="sheet-list">
          <li v-for="line in part.lines" :key="line.pieceId">
            <label>
              <input
                type="checkbox"
                :checked="carried.has(line.pieceId)"
                :aria-label="`${line.name}: in its place`"
                @change="carry(line.pieceId)"
              />
              <strong>{{ line.count > 1 ? `${line.count} × ` : '' }}{{ line.name }}</strong>
            </label>
            <span>{{ line.where }}</span>
            <span v-if="line.byTwo" class="two">two carry</span>
            <span v-if="line.comes" class="inverted">{{
              line.comes === 'not here' || line.comes === 'overdue' ? line.comes : `comes ${writeShortDate(line.comes)}`
            }}</span>
          </li>
        </ul>
      </section>
      <p class="quiet">
        Lift by two what is heavy or long. Find cables and pipes before a hole is made. Power, gas and water are for
        licensed trades.
      </p>
    </template>
    <section aria-labelledby="snags-title">
      <div class="section-head">
        <h2 id="snags-title">Not right yet</h2>
        <el-button @click="open(null)">Note something</el-button>
      </div>
      <p v-if="snags.length === 0" class="quiet">
        Walk round when all stands: a drawer that sticks, a missed edge of paint. Who sees to it, and by when.
      </p>
      <ul class="sheet-list">
        <li v-for="snag in snags" :key="snag.id" :class="{ 'is-done': snag.doneOn }">
          <label>
            <input
              type="checkbox"
              :checked="snag.doneOn !== null"
              :aria-label="`${snag.says}: put right`"
              @change="right(snag)"
            />
            <button type="button" class="word" @click="open(snag.id)">{{ snag.says }}</button>
          </label>
          <span class="quiet"
            >{{
              [roomOf(snag.roomId), snag.trade, snag.byOn ? `by ${writeDate(snag.byOn)}` : '']
                .filter(Boolean)
                .join(', ')
            }}
          </span>
          <FilesOf :owner="{ snagId: snag.id }" :name="snag.says" pictures many />
        </li>
      </ul>
    </section>
    <p v-if="session.costs" class="papers">
      This sheet as
      <a class="word" :href="`/api/makeovers/${makeover.opened?.makeover.id ?? ''}/install-day.pdf`" download>PDF</a>.
    </p>
    <RowDialog
      :key="snagId ?? 'new'"
      v-model="isOpen"
      :form="form"
      :row="snags.find(({ id }) => id === snagId) ?? null"
      :width="560"
    />
  </div>
</template>

<style src="./calendar-page.css"></style>
