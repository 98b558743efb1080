import { computed, ref, shallowRef, toRaw, watch, watchEffect, type Ref } from 'vue'
import { edit } from '#core/makeover/change.ts'
import {
  bodiesIn,
  bodyOf,
  hangablesOf,
  hungIn,
  lampRowsOf,
  lampsIn,
  layoutOf,
  lightingOf,
  thingsOf,
  type Body,
  type Lighting,
  type Scene,
  type Standing,
} from '#core/placement/index.ts'
import { plainPractice } from '#core/makeover/practice.ts'
import { roomsOf } from '#core/survey/index.ts'
import { usePutAtRest } from '../../parts/at-rest.ts'
import { useMakeover } from '../../stores/makeover.ts'
import { placing } from '../placing.ts'

/** How fine the map is, in mm: as it stands, worked by the worker, and while a lamp is in the hand. */
const fineMm = 150
const coarseMm = 400

/** The light of one room: its lamps, its map, and a lamp that is moved. */
export function useInTheLight(roomAsked: Ref<string>) {
  const makeover = useMakeover()
  const practice = computed(() => makeover.reckoning?.practice ?? plainPractice)
  const opened = computed(() => makeover.opened?.makeover ?? null)
  const rooms = computed(() =>
    opened.value ? roomsOf(opened.value, practice.value.rules).filter(({ outline }) => outline.length > 2) : [],
  )
  const room = computed(() => rooms.value.find(({ id }) => id === roomAsked.value) ?? rooms.value[0] ?? null)
  const standing = computed((): Body[] => {
    if (!opened.value || !room.value) return []
    const layout = layoutOf(opened.value, room.value.id)
    return layout ? bodiesIn(opened.value, layout.id, thingsOf(opened.value, practice.value.rules)) : []
  })
  const held = shallowRef<{ readonly id: string; readonly at: Standing } | null>(null)
  const bodies = computed(() =>
    standing.value.map((body) => {
      const hand = held.value
      return hand?.id === body.id && body.thing
        ? bodyOf(body.thing, body.id, hand.at, opened.value?.rows.standing[body.id]?.number ?? 1)
        : body
    }),
  )
  const works = computed(() =>
    opened.value && room.value ? hungIn(opened.value, room.value, hangablesOf(opened.value)) : [],
  )
  const scene = computed((): Scene | null =>
    opened.value && room.value
      ? {
          makeover: opened.value,
          room: room.value,
          bodies: bodies.value,
          works: works.value,
          ways: makeover.reckoning?.placed.find(({ roomId }) => roomId === room.value?.id)?.ways ?? [],
          practice: practice.value,
        }
      : null,
  )
  const lit = computed(() => (opened.value ? lampsIn(opened.value, bodies.value, works.value) : null))
  /** In the hand the light is reckoned at once, coarsely; put down, the worker draws it finely. */
  const coarse = computed(() => (scene.value ? lightingOf(scene.value, coarseMm) : null))
  const fine = shallowRef<Lighting['map'] | null>(null)
  watchEffect((onCleanup) => {
    let wanted = true
    onCleanup(() => (wanted = false))
    fine.value = null
    if (held.value || !scene.value || (lit.value?.lamps.length ?? 0) === 0) return
    const { makeover: all, room: there, practice: by } = scene.value
    void placing()
      .light({ makeover: toRaw(all), practice: toRaw(by), roomId: there.id }, fineMm)
      .then((map) => {
        if (wanted) fine.value = map
      })
  })
  const map = computed(() => fine.value ?? coarse.value?.map ?? null)

  const selectedId = ref('')
  watch(room, () => {
    held.value = null
    selectedId.value = ''
  })
  const selected = computed(
    () =>
      lit.value?.lamps.find(({ id }) => id === selectedId.value) ??
      lit.value?.unknown.find(({ id }) => id === selectedId.value) ??
      null,
  )
  const rowOf = (id: string) => opened.value?.rows.standing[id]
  const pieceOf = (id: string) => {
    const rows = opened.value?.rows
    const pieceId = (rows?.standing[id] ?? rows?.hanging[id])?.pieceId
    return pieceId === undefined ? undefined : rows?.piece[pieceId]
  }
  /** What the piece of a lamp gives, and the candidate that says so. */
  const givenBy = (id: string) => {
    const piece = pieceOf(id)
    if (!piece || !opened.value) return null
    const row = lampRowsOf(opened.value).get(piece.id) ?? null
    const candidateId = row?.candidateId ?? piece.chosenId ?? null
    const own =
      candidateId ?? Object.values(opened.value.rows.candidate).find((entry) => entry.pieceId === piece.id)?.id
    return { piece, row, candidateId: own ?? null }
  }

  const problem = ref('')
  function move(id: string, { x, y }: { x: number; y: number }): void {
    const row = rowOf(id)
    if (!row) return
    const at = held.value?.id === id ? held.value.at : row
    held.value = { id, at: { xMm: at.xMm + x, yMm: at.yMm + y, turnDeg: at.turnDeg } }
  }
  const tenth = (value: number): number => Math.round(value * 10) / 10
  async function put(): Promise<void> {
    const hand = held.value
    const row = hand && rowOf(hand.id)
    if (!hand || !row) return
    const name = bodies.value.find(({ id }) => id === hand.id)?.name ?? 'it'
    const faults = await makeover.change(`Moved ${name}`, [
      edit('standing', row, { xMm: tenth(hand.at.xMm), yMm: tenth(hand.at.yMm) }),
    ])
    problem.value = faults.map(({ message }) => message).join('; ')
    // moved on while it was being put down, it stays in the hand
    if (held.value === hand) held.value = null
  }
  const putSoon = usePutAtRest(put)
  function nudge(x: number, y: number): void {
    if (!rowOf(selectedId.value)) return
    move(selectedId.value, { x, y })
    putSoon()
  }
  return {
    rooms,
    room,
    practice,
    bodies,
    works,
    lit,
    lighting: coarse,
    map,
    selectedId,
    selected,
    givenBy,
    problem,
    move,
    put,
    nudge,
  }
}
export type InTheLight = ReturnType<typeof useInTheLight>
