/** Arranges a room, and looks for what cures, away from the main thread. */
import { expose } from 'comlink'
import type { Makeover } from '#core/makeover/document.ts'
import type { Practice } from '#core/makeover/practice.ts'
import type { UnitSystem } from '#core/measure/length.ts'
import {
  arrange,
  arrangeShelf,
  bodiesIn,
  cureOf,
  floorOf,
  hangablesOf,
  hungIn,
  layoutOf,
  lightingOf,
  reasonsOf,
  shelvesIn,
  thingsOf,
  type Arranged,
  type Body,
  type LightMap,
  type Moved,
  type Standing,
  type Tried,
  type Waiting,
} from '#core/placement/index.ts'
import type { Rules } from '#core/rulebook/rulebook.ts'
import { roomsOf } from '#core/survey/index.ts'

export type Scene = {
  readonly makeover: Makeover
  readonly rules: Rules
  readonly roomId: string
  readonly layoutId: string | null
}
export type InTheDark = { readonly makeover: Makeover; readonly practice: Practice; readonly roomId: string }
/** One thing of a piece. */
export type Numbered = { readonly pieceId: string; readonly number: number }
export type Found = {
  readonly places: readonly (Numbered & { readonly at: Standing })[]
  readonly stops: number
  readonly looks: number
  readonly left: number
  readonly reasons: readonly string[]
}

function sceneOf({ makeover, rules, roomId, layoutId }: Scene) {
  const room = roomsOf(makeover, rules).find(({ id }) => id === roomId)
  const floor = room ? floorOf(room) : null
  const things = thingsOf(makeover, rules)
  return floor
    ? { ground: { ...floor, rules }, things, bodies: layoutId === null ? [] : bodiesIn(makeover, layoutId, things) }
    : null
}

let isStopped = false
const breath = (): Promise<void> => new Promise((done) => setTimeout(done))
const worker = {
  /** Three arrangements of some things among all others that stand there. Told to stop, it hands over the best so far. */
  async arrange(
    scene: Scene,
    items: readonly Numbered[],
    seed: number,
    units: UnitSystem,
    tell: (tried: Tried) => void,
  ): Promise<Found[]> {
    isStopped = false
    const ready = sceneOf(scene)
    if (!ready) return []
    const { ground, things, bodies } = ready
    const rows = scene.makeover.rows.standing
    const isItem = ({ id }: Body): boolean =>
      items.some(({ pieceId, number }) => rows[id]?.pieceId === pieceId && rows[id].number === number)
    const standing = bodies.filter((body) => !isItem(body))
    const waiting = items.flatMap(({ pieceId, number }): Waiting[] => {
      const thing = things.get(pieceId)
      return thing ? [{ thing, number }] : []
    })
    const run = arrange(ground, standing, waiting, seed)
    let step = run.next()
    while (!step.done) {
      tell(step.value)
      await breath()
      step = run.next(isStopped)
    }
    return step.value.map((found): Found => ({
      places: found.bodies.flatMap(({ id, at }) => {
        const [pieceId = '', number = '1'] = id.split(' ')
        return [{ pieceId, number: Number(number), at }]
      }),
      stops: found.stops,
      looks: found.looks,
      left: found.left.length,
      reasons: reasonsOf(ground.setting, standing, found, scene.rules, units),
    }))
  },
  stop(): void {
    isStopped = true
  },
  /** An order of the things of a shelf with less against it; told to stop, the best so far. */
  async compose(
    makeover: Makeover,
    rules: Rules,
    pieceId: string,
    seed: number,
    tell: (done: number) => void,
  ): Promise<Arranged | null> {
    isStopped = false
    const roomId = makeover.rows.piece[pieceId]?.roomId ?? ''
    const shelf = shelvesIn(makeover, roomId).find(({ piece }) => piece.id === pieceId)
    if (!shelf) return null
    const run = arrangeShelf(shelf, rules, seed)
    let step = run.next()
    while (!step.done) {
      tell(step.value.done)
      await breath()
      step = run.next(isStopped)
    }
    return step.value
  },
  /** The light of a room on a fine grid. */
  light({ makeover, practice, roomId }: InTheDark, stepMm: number): LightMap | null {
    const room = roomsOf(makeover, practice.rules).find(({ id }) => id === roomId)
    const layout = room && layoutOf(makeover, room.id)
    if (!room) return null
    const bodies = layout ? bodiesIn(makeover, layout.id, thingsOf(makeover, practice.rules)) : []
    const works = hungIn(makeover, room, hangablesOf(makeover))
    return lightingOf({ makeover, room, bodies, works, ways: [], practice }, stepMm)?.map ?? null
  },
  /** The least moves of one thing or two that cure what is wrong; null where none do. */
  cure(scene: Scene, ids: readonly string[], key: string, free: readonly string[]): readonly Moved[] | null {
    const ready = sceneOf(scene)
    return ready ? cureOf(ready.ground, ready.bodies, ids, key, new Set(free)) : null
  },
}

export type PlacingWorker = typeof worker
expose(worker)
