/**
 * The work of a room in its order: clear and protect, prepare, tile, paint ceiling, walls and trim, floor, second fix, clean, then what
 * is carried in, hung and dressed. Hours from quantities and the rates of the rulebook; the order is common practice of the trade.
 */
import type { Row } from '../makeover/kinds.ts'
import { thingOf } from '../makeover/thing-names.ts'
import { isMaterial, thingsIn } from '../makeover/things.ts'
import type { Makeover } from '../makeover/document.ts'
import { splitSeveral } from '../makeover/choices.ts'
import type { Trade } from '../makeover/work-choices.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import type { Schools } from '../rulebook/schools.ts'
import type { TakeOff } from '../surfaces/index.ts'
import { made, type Made } from './made.ts'

export type RoomAsked = {
  readonly makeover: Makeover
  readonly room: Row<'room'>
  readonly floorM2: number
  readonly takeOffs: readonly TakeOff[]
  readonly pieces: readonly Row<'piece'>[]
  readonly rules: Rules
  readonly schools: Schools
}
/** A task with the hours that pass after it before what comes next. */
type Staged = { readonly stage: number; readonly dries: number; readonly task: Made; readonly needs?: string }

const painted = new Set(['paint', 'paper', 'panels', 'moulding'])

/** What comes after what, as numbers; the school says whether the floor comes before the paint. */
const stagesBy = (floorFirst: boolean, anchorFirst: boolean) => ({
  clear: 0,
  firstFix: 1,
  prepare: 2,
  tile: 3,
  floor: floorFirst ? 4 : 8,
  moulding: 5,
  ceiling: 6,
  walls: 7,
  trim: 7.5,
  secondFix: 9,
  clean: 10,
  large: 11,
  rug: 12,
  curtains: 13,
  // the wall that holds the room together is hung before its furniture comes in, or last
  works: anchorFirst ? 10.5 : 14,
  lamps: 15,
  dress: 16,
  photograph: 17,
})
type Stages = ReturnType<typeof stagesBy>

export function roomWork(asked: RoomAsked): Made[] {
  const stages = stagesBy(
    asked.schools['floor-paint'] === 'floor-first',
    asked.schools['wall-order'] === 'anchor-first',
  )
  const surfaces = asked.takeOffs.flatMap((taken) => surfaceWork(asked, taken, stages))
  const things = thingWork(asked, stages)
  if (surfaces.length + things.length === 0) return []
  return inStages([...opening(asked, surfaces.length > 0, stages), ...surfaces, ...things])
}

/** Each stage waits for all of the stage before it, and for what dries there. */
function inStages(staged: readonly Staged[]): Made[] {
  const numbers = [...new Set(staged.map(({ stage }) => stage))].sort((left, right) => left - right)
  return staged.map(({ stage, task, needs }) => {
    const before = numbers.filter((number) => number < stage).at(-1)
    const last = staged.filter((met) => met.stage === before && !staged.some(({ needs: key }) => key === met.task.key))
    return {
      ...task,
      after: [
        ...task.after,
        ...(needs === undefined ? last.map((met) => ({ key: met.task.key, waitHours: met.dries })) : []),
      ],
    }
  })
}

function opening({ room, floorM2, rules, pieces, makeover }: RoomAsked, isWorked: boolean, stages: Stages): Staged[] {
  const wired = pieces.filter((piece) => isWired(makeover, piece))
  const points = wired.reduce((sum, piece) => sum + thingsIn(piece), 0)
  const at = (what: keyof Stages, name: string, trade: Trade, amount: number, more: Partial<Made> = {}): Staged => ({
    stage: stages[what],
    dries: 0,
    task: made({ key: `${what}:${room.id}`, name: `${name}, ${room.name}`, trade, roomId: room.id, amount, ...more }),
  })
  return [
    ...(isWorked ? [at('clear', 'Clear and protect', 'studio', Math.max(1, floorM2 * rules['work.clear']))] : []),
    ...(points > 0
      ? [
          at('secondFix', 'Connect lights', 'electrician', points * rules['work.point'], {
            uses: wired.map(({ id }) => id),
            because: `${points} ${points === 1 ? 'point' : 'points'}`,
          }),
        ]
      : []),
    ...(isWorked ? [at('clean', 'Clean', 'studio', Math.max(1, floorM2 * rules['work.clean']))] : []),
  ]
}
const chosenOf = ({ rows }: Makeover, piece: Row<'piece'>): Row<'candidate'> | undefined =>
  piece.chosenId === null ? undefined : rows.candidate[piece.chosenId]
const isWired = (makeover: Makeover, piece: Row<'piece'>): boolean =>
  !isMaterial(piece) &&
  thingOf(piece) === 'light' &&
  splitSeveral(chosenOf(makeover, piece)?.methods ?? '').includes('wire in')

/** Preparation, then what is put on: coats with what dries between them, tiles with their grout, boards that lay in their room first. */
function surfaceWork({ room, rules }: RoomAsked, taken: TakeOff, stages: Stages): Staged[] {
  const { treatment, finish, reckoned, works, m2, where } = taken
  if (treatment.insteadOfId !== null || treatment.how === 'as it is' || treatment.how === 'loose') return []
  if (reckoned !== null && !reckoned.ok) return []
  const area = m2 ?? 0
  const on = finish.lies.find(({ treatmentId }) => treatmentId === treatment.id)?.surface ?? finish.surface
  const uses = treatment.pieceId === null ? [] : [treatment.pieceId]
  const about = `${finish.name}, ${where === '' ? room.name : where}`
  const task = (what: string, name: string, trade: Trade, amount: number, more: Partial<Made> = {}): Made =>
    made({ key: `${what}:${treatment.id}`, name: `${name}: ${about}`, trade, roomId: room.id, amount, ...more })
  const rounded = `${Math.round(area * 10) / 10} m²`
  const tradeOf: Trade =
    treatment.how === 'tile'
      ? 'tiler'
      : painted.has(treatment.how)
        ? treatment.how === 'moulding' || treatment.how === 'panels'
          ? 'carpenter'
          : 'painter'
        : 'floor layer'
  const hours = works.reduce((sum, work) => sum + work.hours, 0)
  const pours = works.some(({ what }) => what === 'level')
  const prepared: Staged[] =
    hours > 0
      ? [
          {
            stage: stages.prepare,
            dries: pours ? rules['dry.level'] : 0,
            task: task('prepare', capital(works.map(({ what }) => what).join(', ')), tradeOf, hours, {
              because: rounded,
            }),
          },
        ]
      : []
  const stage =
    on === 'ceiling'
      ? stages.ceiling
      : on === 'floor'
        ? stages.floor
        : on === 'trim' || on === 'door' || on === 'window' || on === 'radiator'
          ? stages.trim
          : stages.walls
  const put = (name: string, rate: number, dries: number, more: Partial<Made> = {}, at = stage): Staged => ({
    stage: at,
    dries,
    task: task('put', name, tradeOf, area * rate, { uses, because: rounded, ...more }),
  })
  switch (treatment.how) {
    case 'paint': {
      const rate = stage === stages.trim ? rules['work.coat-trim'] : rules['work.coat']
      const coats = treatment.coats ?? 2
      return [
        ...prepared,
        ...Array.from({ length: coats }, (_, at): Staged => {
          const own = task(`coat ${at + 1}`, `Coat ${at + 1}`, tradeOf, area * rate, {
            because: rounded,
            uses,
            after: at === 0 ? [] : [{ key: `coat ${at}:${treatment.id}`, waitHours: rules['dry.recoat'] }],
          })
          return at === 0
            ? { stage, dries: rules['dry.paint'], task: own }
            : { stage, dries: rules['dry.paint'], task: own, needs: `coat ${at}:${treatment.id}` }
        }),
      ]
    }
    case 'paper':
      return [...prepared, put('Hang', rules['work.paper'], rules['dry.paper'])]
    case 'tile': {
      const key = `put:${treatment.id}`
      const grout = task('grout', 'Grout', tradeOf, area * rules['work.grout'], {
        because: rounded,
        after: [{ key, waitHours: rules['dry.adhesive'] }],
      })
      const at = on === 'floor' ? stages.floor : stages.tile
      return [
        ...prepared,
        put('Set', rules['work.tile'], 0, {}, at),
        { stage: at, dries: rules['dry.grout'], task: grout, needs: key },
      ]
    }
    case 'boards':
    case 'sheet':
      return [...prepared, put('Lay', rules['work.boards'], 0)]
    case 'carpet':
      return [...prepared, put('Fit', rules['work.carpet'], 0)]
    case 'panels':
    case 'moulding': {
      const metres = reckoned?.ok && reckoned.unit === 'm' ? reckoned.need : area
      return [...prepared, put('Fix', (metres * rules['work.moulding']) / Math.max(area, 1e-9), 0, {}, stages.moulding)]
    }
    default:
      return [...prepared, put('Lay', rules['work.tile'], 0)]
  }
}
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** What is carried in, spread, hung and dressed, by what kind of thing it is. */
function thingWork({ makeover, room, pieces, rules }: RoomAsked, stages: Stages): Staged[] {
  const kinds: readonly {
    readonly what: keyof Stages
    readonly name: string
    readonly rate: number
    readonly is: readonly string[]
  }[] = [
    {
      what: 'large',
      name: 'Carry in the large pieces',
      rate: rules['work.carry'],
      is: ['seat', 'bed', 'table', 'storage', 'shelf', 'appliance', 'fixture'],
    },
    { what: 'rug', name: 'Spread the rugs', rate: rules['work.carry'], is: ['rug'] },
    { what: 'curtains', name: 'Hang the curtains', rate: rules['work.hang'], is: ['curtain'] },
    { what: 'works', name: 'Hang works and mirrors', rate: rules['work.hang'], is: ['work', 'mirror'] },
    { what: 'lamps', name: 'Place the lamps', rate: rules['work.dress'], is: ['light'] },
    { what: 'dress', name: 'Dress', rate: rules['work.dress'], is: ['textile', 'plant', 'ornament', 'other'] },
  ]
  const things = pieces.filter((piece) => !isMaterial(piece) && !isWired(makeover, piece))
  const staged = kinds.flatMap(({ what, name, rate, is }): Staged[] => {
    const these = things.filter((piece) => is.includes(thingOf(piece)))
    if (these.length === 0) return []
    const count = these.reduce((sum, piece) => sum + Math.max(1, thingsIn(piece)), 0)
    return [
      {
        stage: stages[what],
        dries: 0,
        task: made({
          key: `${what}:${room.id}`,
          name: `${name}, ${room.name}`,
          trade: 'studio',
          roomId: room.id,
          amount: count * rate,
          uses: these.map(({ id }) => id),
          isInstall: true,
          because: `${count} ${count === 1 ? 'thing' : 'things'}`,
        }),
      },
    ]
  })
  return staged.length === 0
    ? []
    : [
        ...staged,
        {
          stage: stages.photograph,
          dries: 0,
          task: made({
            key: `photograph:${room.id}`,
            name: `Photograph, ${room.name}`,
            trade: 'studio',
            roomId: room.id,
            amount: rules['work.photograph'],
            isInstall: true,
          }),
        },
      ]
}
