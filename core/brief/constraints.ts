import { methods, splitSeveral, type Forbiddable } from '../makeover/choices.ts'
import { type Makeover, rowsOf } from '../makeover/document.ts'
import { paletteFinishes, liesOn, type LaidFinish, type Lie } from '../makeover/laid.ts'
import type { Row } from '../makeover/kinds.ts'
import type { Rules } from '../rulebook/rulebook.ts'

/** What is usually done instead of what is forbidden. */
export const substitutes: Readonly<Record<Forbiddable, readonly string[]>> = {
  drill: [
    'adhesive strips within their rating',
    'a leaning mirror or picture',
    'a tension rod',
    'an over-door hook',
    'a free-standing bookcase',
  ],
  paint: ['a tall headboard or hanging', 'removable paper', 'a painted board or screen'],
  remove: ['a rug over the floor', 'a cloth over it', 'hardware changed and kept to change back'],
  glue: ['a rug pad', 'weights and clips', 'a tension rod'],
  'wire in': ['a plug-in light', 'a rechargeable light', 'a floor lamp that throws light up'],
  fragile: ['wood, metal or cloth in its place', 'a higher shelf'],
  pale: ['a darker or patterned cloth', 'a washable cover'],
  corded: ['a cordless blind', 'a rod with rings', 'a spring roller'],
  'toxic plant': ['a plant that harms neither pets nor children', 'cut branches', 'faux greenery'],
  heavy: ['the same in a lighter material', 'two smaller ones'],
  scented: ['unscented wax or oil', 'nothing in its place'],
  'loose fibres': ['a flat weave', 'leather or bare wood'],
  'open flame': ['a rechargeable candle', 'a lantern out of reach', 'nothing in its place'],
  'small parts': ['the same without them', 'a place out of reach'],
}

export type Leave = 'not asked' | 'waiting' | 'yes' | 'no'
export type Forbidden = {
  readonly word: Forbiddable
  readonly constraints: readonly Row<'constraint'>[]
  readonly leave: Leave
  readonly permission: Row<'permission'> | null
}

/** What may not be done or brought into a room, and whether leave was asked. */
export function forbiddenIn(makeover: Makeover, roomId: string): Forbidden[] {
  if (rowsOf(makeover, 'constraint').length === 0) return []
  const here = rowsOf(makeover, 'constraint').filter((row) => row.roomId === null || row.roomId === roomId)
  const words = [...new Set(here.map((row) => row.forbids))]
  return words.map((word) => {
    const asked = rowsOf(makeover, 'permission').filter((row) => row.method === word)
    const permission =
      asked.find((row) => row.answer === 'yes') ?? asked.find((row) => row.answer === 'waiting') ?? asked.at(-1) ?? null
    return {
      word,
      constraints: here.filter((row) => row.forbids === word),
      leave: permission?.answer ?? 'not asked',
      permission,
    }
  })
}

export const isMethod = (word: Forbiddable): boolean => methods.some((method) => method === word)

const soft = new Set(['textile', 'plush', 'leather', 'paper', 'cane'])
/** The method that a way of doing a surface is, where a constraint may forbid it. */
const methodOf: Readonly<Partial<Record<Lie['how'], Forbiddable>>> = {
  paint: 'paint',
  paper: 'glue',
}
/** Methods and qualities of a finish: those it was given, how it is done, and pale where it is soft or a floor and pale. */
export function wordsOfFinish(finish: LaidFinish, rules: Rules): string[] {
  const pale = finish.labL >= rules['words.pale-from'] && (liesOn(finish, 'floor') || soft.has(finish.family))
  // what is new is put on as it is done; what is there already is on
  const done = finish.fate === null ? finish.lies.flatMap(({ how }) => methodOf[how] ?? []) : []
  return [
    ...new Set([
      ...splitSeveral(finish.methods),
      ...done,
      ...splitSeveral(finish.qualities),
      ...(pale ? ['pale'] : []),
    ]),
  ]
}
/** Methods and qualities of a candidate: those it was given, and pale by its colour where its piece carries a soft finish. */
export function wordsOfCandidate(makeover: Makeover, candidate: Row<'candidate'>, rules: Rules): string[] {
  const isSoft = paletteFinishes(makeover).some(
    (finish) => finish.pieceId === candidate.pieceId && soft.has(finish.family),
  )
  const pale = isSoft && candidate.labL !== null && candidate.labL >= rules['words.pale-from']
  return [
    ...new Set([...splitSeveral(candidate.methods), ...splitSeveral(candidate.qualities), ...(pale ? ['pale'] : [])]),
  ]
}

/** What rules a thing out in its room: the forbidden words it bears, leave not given. */
export const ruledOut = (forbidden: readonly Forbidden[], words: readonly string[]): Forbidden[] =>
  forbidden.filter((forbidden) => words.includes(forbidden.word) && forbidden.leave !== 'yes')

/** "a tenancy forbids drilling; adhesive strips … do instead" */
export const because = ({ constraints }: Pick<Forbidden, 'constraints'>): string =>
  [...new Set(constraints.map((row) => row.reason))].join(', ')
export const insteadOf = (word: Forbiddable): string => substitutes[word].slice(0, 3).join(', ')
