/**
 * What hangs before a window, reckoned: cloth, lining and all that hangs it, how it covers the glass open and shut, and how it is drawn.
 * It asks the soft goods for cloth and sizes; what the room gives is of the window and the place. Lengths in mm.
 */
import { isBlind } from '../../makeover/dressing-choices.ts'
import type { Row } from '../../makeover/kinds.ts'
import type { UnitSystem } from '../../measure/length.ts'
import type { Rules } from '../../rulebook/rulebook.ts'
import { wrong, type Wrong } from '../../soft-goods/cloth.ts'
import type { Line } from '../take-off/told.ts'
import { blindDressing, pelmetDressing } from './blinds.ts'
import { curtainDressing } from './curtains.ts'
import { placeOf, type Place } from './place.ts'
import type { Window } from './window.ts'

/** The cloth it is cut from, as its candidate says; what is usual where nothing is chosen yet. */
export type Sold = {
  readonly widthMm: number
  readonly repeatMm: number
  readonly match: 'free' | 'straight' | 'half-drop'
  readonly isChosen: boolean
}
/** A part of it as it is seen from the front, with its folds upright, or lying across it. */
export type Hung = {
  readonly u0: number
  readonly u1: number
  readonly z0: number
  readonly z1: number
  readonly folds: number
  readonly across: boolean
}
export type Dressed = {
  readonly ok: true
  readonly place: Place
  readonly need: number
  readonly unit: 'm' | 'pieces'
  readonly words: string
  readonly lines: readonly Line[]
  readonly says: readonly string[]
  readonly open: readonly Hung[]
  readonly shut: readonly Hung[]
  /** Of the glass, its width or its height, what stays free while it is open; null where it is never drawn aside. */
  readonly freeShare: number | null
  /** The light that comes in at each side while it is shut. */
  readonly gapMm: number
  readonly widths: number
}
export type About = {
  readonly window: Window
  readonly row: Row<'dressing'>
  readonly place: Place
  readonly sold: Sold
  /** The drop of the longest thing that hangs under a pelmet, and the length of its track. */
  readonly under: { readonly dropMm: number; readonly trackMm: number; readonly standOffMm: number } | null
  readonly rules: Rules
  readonly units: UnitSystem
}

export function dressed(about: Omit<About, 'place'> & { readonly behindMm: number }): Dressed | Wrong {
  const { window, row, behindMm, rules } = about
  const place = placeOf(window, row, behindMm, rules)
  if (row.roundBay && window.walls.length < 2)
    return wrong('roundBay', 'is asked for a window that is in no bay: its wall and the next lie in one line')
  if (!(place.lengthMm > 0))
    return wrong('trackMm', 'is nothing: expected the length of the pole or track, round the corners of the bay')
  if (row.what !== 'pelmet' && !(place.topMm - place.footMm > 0))
    return wrong('atMm', 'is lower than the cloth ends: expected how high it hangs above the floor')
  const told = { ...about, place }
  if (row.what === 'pelmet') return pelmetDressing(told)
  return isBlind(row.what) ? blindDressing(told) : curtainDressing(told)
}
