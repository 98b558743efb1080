/** The sheet of everything: each thing and each finish, so that it can be found, cleaned, matched, and taken off again. */
import { rowsOf, type Makeover, type Studio } from '../makeover/document.ts'
import { hexFromLab } from '../colour/lab.ts'
import type { Cell } from '../formats/cells.ts'
import type { Table } from '../formats/tables.ts'
import { paletteFinishes } from '../makeover/laid.ts'
import type { Row } from '../makeover/kinds.ts'
import { writeLength, type UnitSystem } from '../measure/length.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import type { Minor } from '../money/minor.ts'
import type { Money } from '../purchases/index.ts'

export type ThingLine = {
  readonly pieceId: string
  readonly name: string
  readonly room: string
  readonly thing: string
  readonly seller: string
  readonly article: string
  readonly colour: string
  readonly batch: string
  readonly size: string
  readonly care: string
  readonly warranty: string
  /** How it comes off again. */
  readonly off: string
  readonly boughtOn: PlainDate | null
  readonly paid: Minor | null
}
export type FinishLine = {
  readonly name: string
  readonly room: string
  readonly usedFor: string
  readonly family: string
  readonly sheen: string
  readonly hex: string
  readonly article: string
  readonly batch: string
}

const offBy: Readonly<Record<string, string>> = {
  screw: 'unscrew, take the plug out, fill the hole',
  nail: 'draw the nail, fill the hole',
  hook: 'draw the hook, fill the hole',
  strips: 'pull the strip slowly along the wall',
  rail: 'lift it off its rail',
  leans: 'lift it away from the wall',
}

export function thingLines(
  makeover: Makeover,
  studio: Studio,
  { purchases }: Pick<Money, 'purchases'>,
  units: UnitSystem,
): ThingLine[] {
  const fixings = new Map(rowsOf(makeover, 'fixing').map((fixing) => [fixing.pieceId, fixing]))
  return rowsOf(makeover, 'piece').flatMap((piece): ThingLine[] => {
    const chosen = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
    const bought = purchases.filter(
      ({ pieceId, packs, cancelled, returned }) => pieceId === piece.id && packs > cancelled + returned,
    )
    if (!chosen && bought.length === 0) return []
    const sizes = [chosen?.widthMm, chosen?.depthMm, chosen?.heightMm].flatMap((mm) =>
      mm == null ? [] : [writeLength(mm, units)],
    )
    const paid = bought.reduce((sum, line) => sum + line.paid, 0)
    return [
      {
        pieceId: piece.id,
        name: piece.name,
        room: makeover.rows.room[piece.roomId]?.name ?? '',
        thing: chosen?.name ?? '',
        seller: chosen?.sellerId ? (studio.rows.seller[chosen.sellerId]?.name ?? '') : (chosen?.origin ?? ''),
        article: chosen?.article ?? '',
        colour: chosen?.colourName ?? '',
        batch: chosen?.batch ?? '',
        size: sizes.join(' × '),
        care: chosen?.cleaning ?? '',
        warranty: chosen?.warranty ?? '',
        off: offOf(chosen, fixings.get(piece.id)),
        boughtOn: bought.map(({ orderedOn }) => orderedOn).sort()[0] ?? null,
        paid: bought.length === 0 ? null : (paid as Minor),
      },
    ]
  })
}
function offOf(chosen: Row<'candidate'> | undefined, fixing: Row<'fixing'> | undefined): string {
  if (fixing) return offBy[fixing.method] ?? fixing.method
  const methods = chosen?.methods ?? ''
  if (methods.includes('glue')) return 'warm the glue, pull slowly, wash off'
  if (methods.includes('wire in')) return 'by a licensed electrician'
  return methods.includes('drill') ? (offBy.screw ?? '') : ''
}

export const finishLines = (makeover: Makeover): FinishLine[] =>
  paletteFinishes(makeover).map((finish) => {
    const piece = finish.pieceId === null ? undefined : makeover.rows.piece[finish.pieceId]
    const chosen = piece?.chosenId ? makeover.rows.candidate[piece.chosenId] : undefined
    return {
      name: finish.name,
      room: makeover.rows.room[finish.roomId]?.name ?? '',
      usedFor: finish.usedFor,
      family: finish.family,
      sheen: finish.sheen,
      hex: hexFromLab({ L: finish.labL, a: finish.labA, b: finish.labB }),
      article: [chosen?.article, chosen?.colourName].filter(Boolean).join(', '),
      batch: chosen?.batch ?? '',
    }
  })

const words = (text: string): Cell => (text === '' ? null : { text })
/** Prices are the studio's: a client's sheet has none. */
export function everythingTables(
  things: readonly ThingLine[],
  finishes: readonly FinishLine[],
  reader: 'client' | 'studio',
): Table[] {
  const priced = reader === 'studio'
  return [
    {
      name: 'Things',
      head: [
        'Room',
        'What',
        'Thing',
        'Seller',
        'Article',
        'Colour',
        'Batch',
        'Size',
        'Care',
        'Warranty',
        'How it comes off',
        'Bought',
        ...(priced ? ['Paid'] : []),
      ],
      rows: things.map((line): Cell[] => [
        ...[
          line.room,
          line.name,
          line.thing,
          line.seller,
          line.article,
          line.colour,
          line.batch,
          line.size,
          line.care,
          line.warranty,
          line.off,
        ].map(words),
        line.boughtOn === null ? null : { date: line.boughtOn },
        ...(priced ? [line.paid === null ? null : { amount: line.paid }] : []),
      ]),
    },
    {
      name: 'Colours and finishes',
      head: ['Room', 'What', 'Where', 'Kind', 'Sheen', 'Colour', 'Article', 'Batch'],
      rows: finishes.map((line): Cell[] =>
        [line.room, line.name, line.usedFor, line.family, line.sheen, line.hex, line.article, line.batch].map(words),
      ),
    },
  ]
}
