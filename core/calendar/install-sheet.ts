/** The install day on one sheet: what is carried in, hung and dressed, in that order, where it goes, what to bring, and where it takes two. */
import { rowsOf, type Makeover } from '../makeover/document.ts'
import { splitSeveral } from '../makeover/choices.ts'
import type { Row } from '../makeover/kinds.ts'
import { thingsIn } from '../makeover/things.ts'
import { thingOf } from '../makeover/thing-names.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import type { PieceReckoning, PurchaseReckoning } from '../purchases/index.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import type { Planned, Schedule } from './schedule.ts'

export type SheetLine = {
  readonly pieceId: string
  readonly name: string
  readonly count: number
  /** Where it goes: its zone, its wall, its room. */
  readonly where: string
  readonly byTwo: boolean
  /** It is not on site yet. */
  readonly comes: PlainDate | 'not here' | 'overdue' | null
  /** What it takes to put it up. */
  readonly brings: readonly string[]
}
export type SheetPart = { readonly task: Planned; readonly room: string; readonly lines: readonly SheetLine[] }
export type InstallSheet = {
  readonly on: PlainDate | null
  readonly parts: readonly SheetPart[]
  /** All that has to be brought. */
  readonly bring: readonly string[]
  readonly open: readonly Row<'snag'>[]
}

/** Tools by how something is held or what it is; common practice of the trade. */
const toolsOf: Readonly<Record<string, readonly string[]>> = {
  drill: ['drill', 'bits and plugs', 'screwdriver', 'level', 'detector for cables and pipes', 'sheet against dust'],
  glue: ['cleaner for the wall', 'strips or glue', 'level'],
  'wire in': ['only by a licensed electrician'],
}
const ofThing: Readonly<Record<string, readonly string[]>> = {
  rug: ['underlay', 'knife'],
  curtain: ['steps', 'hooks and rings', 'steamer'],
  work: ['hammer', 'hooks', 'tape measure', 'level'],
  mirror: ['hammer', 'hooks', 'tape measure', 'level'],
  light: ['bulbs', 'extension lead'],
  bed: ['hex keys', 'spanner'],
  storage: ['hex keys', 'fixings against tipping', 'felt pads'],
  shelf: ['hex keys', 'fixings against tipping', 'level'],
  table: ['felt pads'],
  seat: ['felt pads'],
}
const always = ['gloves', 'floor covering', 'knife for packing', 'cloths', 'bags for packing']

export function installSheet(
  makeover: Makeover,
  { tasks, installOn }: Pick<Schedule, 'tasks' | 'installOn'>,
  money: { readonly purchases: readonly PurchaseReckoning[]; readonly pieces: readonly PieceReckoning[] },
  rules: Rules,
  today: PlainDate,
): InstallSheet {
  const awaited = new Map(
    money.purchases.filter((line) => line.awaited > 0).map((line) => [line.pieceId, line.arrivesOn]),
  )
  const open = new Set(money.pieces.filter((piece) => piece.open > 0).map(({ id }) => id))
  const due = (on: PlainDate | null): SheetLine['comes'] => (on === null ? 'not here' : on < today ? 'overdue' : on)
  const parts = tasks
    .filter(({ is, isInstall, isDone }) => is === 'work' && isInstall && !isDone)
    .toSorted((left, right) => left.start - right.start)
    .map((task): SheetPart => ({
      task,
      room: task.roomId === null ? '' : (makeover.rows.room[task.roomId]?.name ?? ''),
      lines: task.uses.flatMap((pieceId): SheetLine[] => {
        const piece = makeover.rows.piece[pieceId]
        if (!piece) return []
        const chosen = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
        return [
          {
            pieceId,
            name: piece.name,
            count: Math.max(1, thingsIn(piece)),
            where: whereOf(makeover, piece),
            byTwo: isByTwo(piece, chosen, rules),
            comes: awaited.has(pieceId) ? due(awaited.get(pieceId) ?? null) : open.has(pieceId) ? 'not here' : null,
            brings: bringsFor(piece, chosen),
          },
        ]
      }),
    }))
  const bring =
    parts.length === 0 ? [] : [...always, ...parts.flatMap(({ lines }) => lines.flatMap(({ brings }) => brings))]
  return {
    on: installOn,
    parts,
    bring: [...new Set(bring)],
    open: rowsOf(makeover, 'snag').filter(({ doneOn }) => doneOn === null),
  }
}

function bringsFor(piece: Row<'piece'>, chosen: Row<'candidate'> | undefined): readonly string[] {
  const methods = splitSeveral(chosen?.methods ?? '')
  return [...new Set([...methods.flatMap((method) => toolsOf[method] ?? []), ...(ofThing[thingOf(piece)] ?? [])])]
}
const isByTwo = (piece: Row<'piece'>, chosen: Row<'candidate'> | undefined, rules: Rules): boolean => {
  const lengths = [
    chosen?.widthMm ?? piece.widthMm,
    chosen?.depthMm ?? piece.depthMm,
    chosen?.heightMm ?? piece.heightMm,
  ]
  const isSoft = ['curtain', 'textile', 'plant'].includes(thingOf(piece))
  return (
    (chosen?.weightKg ?? 0) >= rules['work.two-carry'] ||
    (!isSoft && lengths.some((mm) => (mm ?? 0) >= rules['work.two-carry-long']))
  )
}
function whereOf({ rows }: Makeover, { zoneId, wallId, roomId }: Row<'piece'>): string {
  const zone = zoneId === null ? undefined : rows.zone[zoneId]?.name
  const wall = wallId === null ? undefined : rows.wall[wallId]?.name
  return [zone, wall].filter((name) => name !== undefined).join(', ') || (rows.room[roomId]?.name ?? '')
}
