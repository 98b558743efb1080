<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, ref } from 'vue'
import { blank } from '#core/makeover/blank.ts'
import { add, remove } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import FilesOf from '../files/FilesOf.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import PairSlider from './PairSlider.vue'

/** The views of each room, from the survey: each wall, each door; photographed before, and after from the same spot. */
const makeover = useMakeover()
const [rooms, walls, openings, views, pictures] = [
  useRows('room'),
  useRows('wall'),
  useRows('opening'),
  useRows('view'),
  useRows('attachment'),
]
/** Walls and doors that have no view yet. */
const missing = computed(() =>
  rooms.value.flatMap((room) => {
    const own = walls.value.filter(({ roomId }) => roomId === room.id)
    const doors = openings.value.filter(({ what, wallId }) => what === 'door' && own.some(({ id }) => id === wallId))
    return [
      ...own
        .filter(({ id }) => !views.value.some((view) => view.wallId === id && view.openingId === null))
        .map((wall) => ({
          roomId: room.id,
          wallId: wall.id,
          openingId: null,
          name: `${room.name}: ${wall.name || 'a wall'}`,
        })),
      ...doors
        .filter(({ id }) => !views.value.some((view) => view.openingId === id))
        .map((door) => ({
          roomId: room.id,
          wallId: null,
          openingId: door.id,
          name: `${room.name}: from ${door.name || 'the door'}`,
        })),
    ]
  }),
)
/** A side in two walls, round a chimney breast, is two views: the second says so. */
const named = (name: string, at: number, names: readonly string[]): string => {
  const before = names.slice(0, at).filter((known) => known === name).length
  return before === 0 ? name : `${name}, ${before + 1}`
}
function take(): Promise<unknown> {
  const names = [...views.value, ...missing.value].map(({ name }) => name)
  return makeover.change(
    'The views to photograph, from the survey',
    missing.value.map((view, at) => {
      const place = views.value.length + at
      return add('view', uuidv7(), { ...blank.view, ...view, name: named(view.name, place, names), place })
    }),
  )
}
const taken = (viewId: string, moment: 'before' | 'after'): Row<'attachment'> | null =>
  pictures.value.findLast((picture) => picture.viewId === viewId && picture.moment === moment) ?? null
const lines = computed(() =>
  views.value.map((view) => ({ view, before: taken(view.id, 'before'), after: taken(view.id, 'after') })),
)
const comparing = ref<string | null>(null)
const away = (view: Row<'view'>): Promise<unknown> =>
  makeover.change(`Took the view ${view.name} away`, [
    ...pictures.value.filter(({ viewId }) => viewId === view.id).map((picture) => remove('attachment', picture)),
    remove('view', view),
  ])
</script>

<template>
  <section aria-labelledby="views-title">
    <div class="section-head">
      <h2 id="views-title">Before and after</h2>
      <el-button v-if="missing.length > 0" @click="take"
        >{{ missing.length === 1 ? 'A view' : `${missing.length} views` }} from the survey</el-button
      >
    </div>
    <p v-if="views.length === 0" class="quiet">
      Each wall and each door is a view: photographed before anything is moved, and after from the same spot.
    </p>
    <ul class="reveal-list">
      <li v-for="{ view, before, after } in lines" :key="view.id" class="view">
        <span class="name">{{ view.name }}</span>
        <span class="quiet">{{
          before && after ? '' : before ? 'no picture after' : after ? 'no picture before' : 'no picture yet'
        }}</span>
        <button
          v-if="before && after"
          type="button"
          class="word"
          :aria-expanded="comparing === view.id"
          @click="comparing = comparing === view.id ? null : view.id"
        >
          Compare
        </button>
        <button type="button" class="word" :aria-label="`Take the view ${view.name} away`" @click="away(view)">
          Take away
        </button>
        <PairSlider
          v-if="before && after && comparing === view.id"
          :view="view"
          :before="before.sha256"
          :after="after.sha256"
        />
        <div class="moments">
          <div>
            <span class="label">Before</span
            ><FilesOf :owner="{ viewId: view.id, moment: 'before' }" :name="`${view.name}, before`" pictures />
          </div>
          <div>
            <span class="label">After</span
            ><FilesOf :owner="{ viewId: view.id, moment: 'after' }" :name="`${view.name}, after`" pictures />
          </div>
        </div>
      </li>
    </ul>
  </section>
</template>
