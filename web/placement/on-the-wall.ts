import { v7 as uuidv7 } from 'uuid'
import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import { blank } from '#core/makeover/blank.ts'
import { add, edit, remove, type Operation } from '#core/makeover/change.ts'
import {
  asOne,
  belongsAt,
  drawnTo,
  firstOnWall,
  groupOf,
  hangablesOf,
  hungChecks,
  hungIn,
  hungOf,
  marksOf,
  sceneOf,
  toHang,
  wallIdeas,
  type Hangable,
  type Hung,
  type OnWall,
  type ToHang,
  type WallIdea,
} from '#core/placement/index.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { roomsOf } from '#core/survey/index.ts'
import { usePutAtRest } from '../parts/at-rest.ts'
import { useMakeover } from '../stores/makeover.ts'

const none: ReadonlyMap<string, Hangable> = new Map()
/** Why what was proposed hangs where it does, as its row says it. */
const reasons: Readonly<Record<WallIdea['is'], (about: string) => string>> = {
  hides: (about) => `Hides ${about}`,
  doubles: (about) => `Behind ${about}`,
  flanks: () => '',
}

/** One wall with what hangs there: what is held is checked as it moves, and each act is one change once it is put down. */
export function useOnTheWall(roomAsked: Ref<string>, wallAsked: Ref<string>) {
  const makeover = useMakeover()
  const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
  const rooms = computed(() =>
    makeover.opened ? roomsOf(makeover.opened.makeover, rules.value).filter(({ outline }) => outline.length > 2) : [],
  )
  const room = computed(() => rooms.value.find(({ id }) => id === roomAsked.value) ?? rooms.value[0] ?? null)
  const things = computed(() => (makeover.opened ? hangablesOf(makeover.opened.makeover) : none))
  const put = computed(() =>
    makeover.opened && room.value ? hungIn(makeover.opened.makeover, room.value, things.value) : [],
  )
  const wall = computed(() => {
    const walls = room.value?.walls ?? []
    // without a wish, the wall on which most hangs
    const busiest = walls.toSorted(
      (left, right) =>
        put.value.filter((work) => work.wall === right).length - put.value.filter((work) => work.wall === left).length,
    )[0]
    return walls.find(({ row }) => row.id === wallAsked.value) ?? busiest ?? null
  })
  /** What is in the hand, and by how much it is moved: what hangs as one goes with it. */
  const held = shallowRef<{ readonly ids: readonly string[]; readonly by: OnWall } | null>(null)
  const works = computed(() =>
    put.value.map((work) =>
      held.value?.ids.includes(work.id)
        ? hungOf(
            work.thing,
            { ...work.row, alongMm: work.along + held.value.by.along, centreMm: work.centre + held.value.by.centre },
            work.wall,
          )
        : work,
    ),
  )
  const scene = computed(() => {
    const practice = makeover.reckoning?.practice
    if (!makeover.opened || !practice || !room.value || !wall.value) return null
    const bodies = makeover.reckoning?.placed.find(({ roomId }) => roomId === room.value?.id)?.bodies ?? []
    return sceneOf(makeover.opened.makeover, room.value, wall.value, works.value, bodies, practice)
  })
  /** What hangs on the wall while nothing is in the hand: it does not change as a hand moves. */
  const hungHere = computed(() => put.value.filter((work) => work.wall.row.id === wall.value?.row.id))
  const selectedId = ref('')
  watch(wall, () => (held.value = null))
  const selected = computed(() => scene.value?.works.find(({ id }) => id === selectedId.value) ?? null)
  const checks = computed(() => {
    const there = scene.value
    return there ? there.works.flatMap((work) => hungChecks(there, work, rules.value)) : []
  })
  /** The group of what is selected, as one. */
  const whole = computed(() =>
    scene.value && selected.value ? asOne(groupOf(selected.value, scene.value.works)) : null,
  )
  const belongs = computed(() =>
    scene.value && whole.value
      ? belongsAt(scene.value.room, whole.value, scene.value.before, scene.value.lineMm, rules.value)
      : null,
  )
  const marks = computed(() => (scene.value?.works ?? []).flatMap(marksOf))
  const waiting = computed(() =>
    makeover.opened && room.value ? toHang(makeover.opened.makeover, room.value.id, things.value) : [],
  )

  const problem = ref('')
  const tell = async (sentence: string, operations: readonly Operation[]): Promise<void> => {
    const faults = await makeover.change(sentence, operations)
    problem.value = faults.map(({ message }) => message).join('; ')
  }
  const rowOf = (id: string) => makeover.opened?.makeover.rows.hanging[id]
  const tenth = (value: number): number => Math.round(value * 10) / 10
  const asRow = ({ along, centre }: OnWall) => ({ alongMm: tenth(along), centreMm: tenth(centre) })
  /** Where the hand itself is: what is drawn to a middle leaves it again as the hand goes on. */
  let raw: OnWall | null = null
  function move(id: string, by: OnWall, isDrawn = true): void {
    const work = put.value.find((known) => known.id === id)
    if (!work || !scene.value) return
    const group = groupOf(work, put.value)
    const moved = asOne(group) ?? work
    const ids = group.map((member) => member.id)
    if (!held.value?.ids.includes(id) || !raw) raw = { along: moved.along, centre: moved.centre }
    raw = { along: raw.along + by.along, centre: raw.centre + by.centre }
    const rest = { ...scene.value, works: scene.value.works.filter((met) => !ids.includes(met.id)) }
    const at = isDrawn ? drawnTo(rest, moved, raw, rules.value) : raw
    held.value = { ids, by: { along: at.along - moved.along, centre: at.centre - moved.centre } }
  }
  async function letDown(): Promise<void> {
    const hand = held.value
    const moved = put.value.filter(({ id }) => hand?.ids.includes(id))
    if (!hand || moved.length === 0) return
    await tell(`Moved ${asOne(moved)?.name ?? 'it'} on its wall`, shifted(moved, hand.by))
    // moved on while it was being put down, it stays in the hand
    if (held.value !== hand) return
    held.value = raw = null
  }
  const shifted = (moved: readonly Hung[], by: OnWall): Operation[] =>
    moved.map((work) =>
      edit('hanging', work.row, asRow({ along: work.along + by.along, centre: work.centre + by.centre })),
    )
  const letDownSoon = usePutAtRest(letDown)
  function nudge(along: number, centre: number): void {
    if (selectedId.value === '') return
    move(selectedId.value, { along, centre }, false)
    letDownSoon()
  }
  /** What would look well here of what waits; as it was while something is in the hand. */
  const ideas = computed((before: readonly WallIdea[] | undefined): readonly WallIdea[] => {
    if (held.value) return before ?? []
    return scene.value && wall.value ? wallIdeas(scene.value, wall.value, waiting.value, rules.value) : []
  })
  const hangSo = ({ is, about, places }: WallIdea): Promise<void> =>
    hangAt(
      places,
      `Hung ${[...new Set(places.map(({ item }) => item.thing.piece.name))].join(', ')} by ${about}`,
      reasons[is](about),
    )
  /** Onto the wall that is looked at: where least is wrong with it. */
  async function hang(item: ToHang): Promise<void> {
    if (!scene.value || !wall.value) return
    const at = firstOnWall(scene.value, item.thing, wall.value, rules.value)
    await hangAt([{ item, at }], `Hung ${item.thing.piece.name} on ${wall.value.name}`)
  }
  async function hangAt(places: WallIdea['places'], sentence: string, why = ''): Promise<void> {
    const wallId = wall.value?.row.id
    if (wallId === undefined) return
    const hangings = places.map(({ item: { thing, number }, at }) =>
      add('hanging', uuidv7(), { ...blank.hanging, pieceId: thing.piece.id, number, wallId, ...asRow(at), why }),
    )
    selectedId.value = hangings[0]?.id ?? ''
    await tell(sentence, hangings)
  }
  async function takeDown(): Promise<void> {
    const row = rowOf(selectedId.value)
    if (!row) return
    const name = selected.value?.name ?? 'it'
    selectedId.value = ''
    await tell(`Took ${name} off its wall`, [remove('hanging', row)])
  }
  /** To the height it belongs at. */
  async function toItsLine(): Promise<void> {
    if (!scene.value || !selected.value || !whole.value || !belongs.value) return
    const up = belongs.value.centre - whole.value.centre
    await tell(
      `Hung ${whole.value.name} on its line`,
      shifted(groupOf(selected.value, scene.value.works), { along: 0, centre: up }),
    )
  }
  return {
    tell,
    asRow,
    hungHere,
    rules,
    rooms,
    room,
    wall,
    things,
    scene,
    selectedId,
    selected,
    checks,
    whole,
    belongs,
    marks,
    waiting,
    problem,
    rowOf,
    move,
    letDown,
    nudge,
    hang,
    ideas,
    hangSo,
    takeDown,
    toItsLine,
  }
}
export type OnTheWall = ReturnType<typeof useOnTheWall>
