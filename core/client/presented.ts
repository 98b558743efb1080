/**
 * What a client sees of a makeover: what was agreed, chosen and planned, with its reasons. Built up from what is meant for them, so that
 * nothing else can be in it: no prices of things, no sellers, no margins, no remarks, nobody else.
 */
import { headOf, rowsOf } from '../makeover/document.ts'
import type { Documents } from '../makeover/change.ts'
import { paletteFinishes } from '../makeover/laid.ts'
import { splitSeveral } from '../makeover/choices.ts'
import { presentedParts, type PresentedPart } from '../makeover/client-choices.ts'
import { putOff } from '../makeover/put-off.ts'
import type { Row } from '../makeover/kinds.ts'
import { writeLength } from '../measure/length.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import { plus, type Minor } from '../money/minor.ts'
import type { Reckoning } from '../reckoning/reckon.ts'

export type PresentedFinish = Pick<
  Row<'finish'>,
  'name' | 'role' | 'family' | 'texture' | 'sheen' | 'labL' | 'labA' | 'labB' | 'usedFor'
> & {
  /** Of what is seen of the room, in m². */
  readonly m2: number | null
}
export type PresentedChoice = {
  readonly pieceId: string
  readonly name: string
  readonly room: string
  readonly count: number
  readonly chosen: string | null
  /** What was chosen, by its id: an answer is to this, and a later choice asks again. */
  readonly about: string
  readonly reason: string
  readonly size: string
  readonly here: 'here' | 'on its way' | 'chosen' | 'open'
  readonly turnedDown: readonly { readonly name: string; readonly reason: string }[]
}
export type Presented = {
  readonly name: string
  readonly rooms: readonly string[]
  readonly currency: string
  readonly greeting: string
  readonly asOf: PlainDate
  readonly brief: {
    readonly needs: readonly { readonly name: string; readonly who: string; readonly servedBy: readonly string[] }[]
    readonly stays: readonly string[]
  } | null
  readonly palette: readonly PresentedFinish[] | null
  readonly plans:
    readonly { readonly room: string; readonly svg: string; readonly firstSeen: readonly string[] }[] | null
  readonly choices: readonly PresentedChoice[] | null
  readonly treatments: readonly { readonly room: string; readonly words: string }[] | null
  readonly dates: readonly { readonly on: PlainDate; readonly what: string }[] | null
  readonly money: { readonly agreed: Minor; readonly spent: Minor; readonly open: Minor; readonly left: number } | null
}

/** `plans`: the drawn plans, made by who can draw them. */
export function present(
  { makeover }: Documents,
  reckoning: Reckoning,
  shows: readonly PresentedPart[],
  greeting: string,
  plans: Presented['plans'],
): Presented {
  const head = headOf(makeover)
  const has = (part: PresentedPart): boolean => shows.includes(part)
  return {
    name: head?.name ?? '',
    rooms: rowsOf(makeover, 'room').map(({ name }) => name),
    currency: head?.currency ?? 'EUR',
    greeting,
    asOf: reckoning.today,
    brief: has('brief') ? briefOf(makeover, reckoning) : null,
    palette: has('palette') ? paletteOf(makeover, reckoning) : null,
    plans: has('plan') ? plans : null,
    choices: has('choices') ? choicesOf(makeover, reckoning, has('turned down')) : null,
    treatments: has('treatments') ? treatmentsOf(makeover, reckoning) : null,
    dates: has('dates') ? datesOf(makeover, reckoning) : null,
    money: has('money') && reckoning.money.agreement ? moneyOf(reckoning) : null,
  }
}
type Of = Documents['makeover']

function briefOf(makeover: Of, { needs }: Reckoning): Presented['brief'] {
  const nameOf = (pieceId: string): string => makeover.rows.piece[pieceId]?.name ?? ''
  return {
    needs: needs.flatMap(({ id, pieceIds }) => {
      const need = makeover.rows.need[id]
      return need ? [{ name: need.name, who: need.who, servedBy: pieceIds.map(nameOf) }] : []
    }),
    stays: rowsOf(makeover, 'piece').flatMap(({ name, chosenId }) => {
      const chosen = chosenId === null ? undefined : makeover.rows.candidate[chosenId]
      return chosen?.source === 'owned' ? [name] : []
    }),
  }
}

const paletteOf = (makeover: Of, { palette }: Reckoning): PresentedFinish[] => {
  const areas = new Map(palette.finishes.map(({ id, area }) => [id, area.m2]))
  return paletteFinishes(makeover).map(({ id, name, role, family, texture, sheen, labL, labA, labB, usedFor }) => ({
    name,
    role,
    family,
    texture,
    sheen,
    labL,
    labA,
    labB,
    usedFor,
    m2: areas.get(id) ?? null,
  }))
}

function choicesOf(makeover: Of, { money }: Reckoning, withTurnedDown: boolean): PresentedChoice[] {
  const later = putOff(makeover)
  const units = headOf(makeover)?.units ?? 'metric'
  const states = new Map(money.pieces.map(({ id, state }) => [id, state]))
  const awaited = new Set(money.purchases.filter((line) => line.awaited > 0).map(({ pieceId }) => pieceId))
  return rowsOf(makeover, 'piece')
    .filter(({ id, thing }) => thing !== 'material' && !later.has(id))
    .map((piece): PresentedChoice => {
      const chosen = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
      const sizes = [chosen?.widthMm, chosen?.depthMm, chosen?.heightMm].flatMap((mm) =>
        mm == null ? [] : [writeLength(mm, units)],
      )
      const state = states.get(piece.id) ?? 'open'
      return {
        pieceId: piece.id,
        name: piece.name,
        room: makeover.rows.room[piece.roomId]?.name ?? '',
        count: piece.quantity,
        chosen: chosen?.name ?? null,
        about: chosen?.id ?? '',
        reason: piece.chosenReason,
        size: sizes.join(' × '),
        here: awaited.has(piece.id)
          ? 'on its way'
          : state === 'in hand' || state === 'ordered'
            ? 'here'
            : chosen
              ? 'chosen'
              : 'open',
        turnedDown: withTurnedDown
          ? rowsOf(makeover, 'candidate').flatMap(({ pieceId, name, turnedDown }) =>
              pieceId === piece.id && turnedDown !== null ? [{ name, reason: turnedDown }] : [],
            )
          : [],
      }
    })
}

const verbs: Readonly<Record<string, string>> = {
  paint: 'painted in',
  paper: 'papered with',
  tile: 'tiled with',
  boards: 'laid with',
  carpet: 'laid with',
}
const treatmentsOf = (makeover: Of, { takeOffs }: Reckoning): NonNullable<Presented['treatments']> =>
  takeOffs
    .filter(({ treatment }) => treatment.insteadOfId === null && treatment.how !== 'as it is')
    .map(({ finish, treatment, where }) => ({
      room: makeover.rows.room[finish.roomId]?.name ?? '',
      words: `${where === '' ? 'all of it' : where}: ${verbs[treatment.how] ?? treatment.how} ${finish.name}`,
    }))

function datesOf(makeover: Of, { schedule, dates }: Reckoning): NonNullable<Presented['dates']> {
  const answers = schedule.tasks.flatMap(({ is, pieceId, isDone }) => {
    const by = is === 'answer' && !isDone ? (dates.find(({ id }) => id === pieceId)?.decideBy ?? null) : null
    const name = pieceId === null ? '' : (makeover.rows.piece[pieceId]?.name ?? '')
    return by === null ? [] : [{ on: by, what: `Your answer on ${name}` }]
  })
  const install = schedule.installOn === null ? [] : [{ on: schedule.installOn, what: 'All is put in its place' }]
  return [...answers, ...install].toSorted((left, right) => (left.on < right.on ? -1 : 1))
}

function moneyOf({ money }: Reckoning): Presented['money'] {
  const { agreed, paid, committed, stillToBuy, forecast } = money.total
  return { agreed, spent: plus(paid, committed), open: stillToBuy, left: agreed - forecast }
}

/** A kept version, read back; null for what is none. */
export function readPresented(text: string): Presented | null {
  try {
    const value: unknown = JSON.parse(text)
    return typeof value === 'object' && value !== null && 'rooms' in value && 'greeting' in value
      ? (value as Presented)
      : null
  } catch {
    return null
  }
}
export const partsOf = (text: string): PresentedPart[] =>
  splitSeveral(text).flatMap((part) => presentedParts.filter((known) => known === part))
