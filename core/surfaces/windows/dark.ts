/** How dark a window can be made by what hangs before it, and how dark it is wanted for who sleeps behind it. Common practice of the trade. */
import { darkness, isBlind, type Darkness } from '../../makeover/dressing-choices.ts'
import { rowsOf, type Makeover } from '../../makeover/document.ts'
import type { Row } from '../../makeover/kinds.ts'
import type { DressedWindow } from './reckoned.ts'

const byLining: Readonly<Record<Row<'dressing'>['lining'], Darkness>> = {
  none: 'dimmed',
  lined: 'dimmed',
  interlined: 'darkened',
  'dim-out': 'darkened',
  blackout: 'blacked out',
}
export const darker = (left: Darkness | null, right: Darkness | null): boolean => rank(left) > rank(right)
const rank = (dark: Darkness | null): number => (dark === null ? -1 : darkness.indexOf(dark))

/**
 * By the darkest of its layers; blacked out only where a layer closes the sides, since light round a blind is what wakes a child. Sheers
 * and pelmets make nothing dark. Null where nothing that is drawn hangs there.
 */
export function darkBy(layers: readonly DressedWindow[]): Darkness | null {
  const drawn = layers.filter(({ row, dressed }) => dressed.ok && row.what !== 'sheers' && row.what !== 'pelmet')
  const closes = drawn.some(({ dressed }) => dressed.ok && dressed.gapMm < closedMm)
  return drawn.reduce<Darkness | null>((best, { row }) => {
    // a pleated blind of two layers and a roller are dark by their cloth alone, which is asked for by the lining it would have
    const dark = byLining[row.lining]
    const here: Darkness = dark === 'blacked out' && !closes ? 'darkened' : dark
    return darker(here, best) ? here : best
  }, null)
}
/** Beside its cloth, what lets no light in worth a word. */
const closedMm = 1

export type Wanted = { readonly dark: Darkness; readonly why: string }
/** What the beds of a room ask for: where a small child sleeps it is still seen; where grown people sleep it is darkened. */
export function darkFor(makeover: Makeover, roomId: string): Wanted | null {
  const beds = rowsOf(makeover, 'piece').filter((piece) => piece.roomId === roomId && piece.thing === 'bed')
  const cot = beds.find(({ name }) => forSmall.test(name))
  if (cot) return { dark: 'dimmed', why: `${cot.name} stands in this room: dimmed, the child is still seen` }
  const zone = rowsOf(makeover, 'zone').find((row) => row.roomId === roomId && row.activity === 'sleep')
  const [bed] = beds
  if (bed || zone) return { dark: 'darkened', why: `${bed?.name ?? zone?.name ?? 'A bed'}: somebody sleeps here` }
  return null
}
const forSmall = /\b(cot|crib|cradle|bassinet|moses basket|toddler bed|nursery)s?\b/i
/** A small child is in the room, or the brief says so: nothing that hangs may have a cord in reach. */
export const smallOnes = (makeover: Makeover, roomId: string): boolean =>
  rowsOf(makeover, 'constraint').some(
    (row) => (row.roomId === null || row.roomId === roomId) && (row.reason === 'children' || row.forbids === 'corded'),
  ) ||
  rowsOf(makeover, 'piece').some(
    (piece) => piece.roomId === roomId && piece.thing === 'bed' && forSmall.test(piece.name),
  )

/** What is worked by a cord or a chain, where nobody asks for one without. */
export const hasCord = ({ what }: Row<'dressing'>): boolean => isBlind(what)
