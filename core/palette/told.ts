/** What the names of pieces tell, as one text, so that a name that tells the same changes nothing. */
import type { ThingKind } from '../makeover/choices.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import { isNatural, thingOf } from '../makeover/thing-names.ts'
import { groundOfPiece, type Ground } from '../makeover/things.ts'

const bringsColour: ReadonlySet<ThingKind> = new Set(['work', 'plant', 'curtain'])

export type Told = {
  /** What it is seen against. */
  readonly ground: Ground
  /** A material rather than a colour. */
  readonly natural: boolean
  /** Brings colour into quiet layers by right: a work, a plant, what hangs at the window. */
  readonly brings: boolean
}

/** A line for each piece of which anything is told: its id, and what its name and its thing's name tell. */
export const toldByNames = (makeover: Makeover): string =>
  rowsOf(makeover, 'piece')
    .flatMap((piece) => {
      const chosen = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
      const thing = thingOf(piece)
      const ground = groundOfPiece(piece)
      const natural = chosen !== undefined && isNatural(thing, chosen.madeOf, `${piece.name} ${chosen.name}`)
      const brings = chosen !== undefined && bringsColour.has(thing)
      return ground === 'walls' && !natural && !brings
        ? []
        : [[piece.id, ground, natural ? 'natural' : '', brings ? 'brings' : ''].join('\t')]
    })
    .join('\n')

export const readTold = (text: string): Map<string, Told> =>
  new Map(
    text.split('\n').map((line) => {
      const [id = '', ground, natural, brings] = line.split('\t')
      return [id, { ground: ground as Ground, natural: natural === 'natural', brings: brings === 'brings' }]
    }),
  )
