/**
 * How much paint: areas, coats and spreading rates to litres, with what speaks for a primer and for a third coat. Areas in m²,
 * lengths in mm, litres; a spreading rate in m² a litre and coat, as the tin says it.
 */
import { chroma, type Lab } from '../colour/lab.ts'
import type { Rules } from '../rulebook/rulebook.ts'

export type Ground = 'smooth' | 'bare' | 'rough'

/** A part to be painted: what it measures, and how many coats of it at which rate. */
export type PaintArea = {
  readonly name: string
  readonly m2: number
  readonly coats: number
  /** m² a litre and coat. */
  readonly rate: number
}

/** What a litre covers where the tin says nothing, by what is painted. */
export const spreadingRate = (ground: Ground, rules: Rules): number =>
  ground === 'smooth' ? rules['paint.rate-smooth'] : rules['paint.rate-rough']

/** Litres of one colour: Σ area × coats ÷ rate. Null where a number is missing, below zero, or a rate is nothing. */
export function litresOf(areas: readonly PaintArea[]): number | null {
  const wrong = areas.some(({ m2, coats, rate }) => !(m2 >= 0) || !Number.isInteger(coats) || coats < 0 || !(rate > 0))
  return wrong ? null : areas.reduce((litres, { m2, coats, rate }) => litres + (m2 * coats) / rate, 0)
}

export type Coats = {
  /** What is usual; where two figures are given, the first many manage and the second is safe. */
  readonly coats: readonly number[]
  readonly because: string
}

/**
 * Coats of the finish: as the tin says; else two, and where the step is towards light or the new colour is strong both two and
 * three, the buyer chooses.
 */
export function coatsFor(tinSays: number | null, old: Lab | null, fresh: Lab, rules: Rules): Coats {
  if (tinSays !== null) return { coats: [tinSays], because: 'as the tin says' }
  const lighter = old === null ? 0 : fresh.L - old.L
  if (lighter > rules['paint.third-coat-lighter'])
    return { coats: [2, 3], because: `it goes ${Math.round(lighter)} in L* towards light` }
  if (chroma(fresh) > rules['paint.third-coat-chroma'])
    return { coats: [2, 3], because: `a strong colour, C* ${Math.round(chroma(fresh))}` }
  return { coats: [2], because: 'two are usual' }
}

export type Underneath = {
  readonly bare: boolean
  readonly newPlaster: boolean
  readonly stained: boolean
  readonly glossy: boolean
  readonly old: Lab | null
}
/** What goes under the finish: a mist coat on new plaster, a primer on what is bare, stained, glossy, or very different. */
export function under(
  ground: Underneath,
  fresh: Lab,
  rules: Rules,
): { readonly what: 'none' | 'mist coat' | 'primer'; readonly because: string } {
  if (ground.newPlaster)
    return { what: 'mist coat', because: 'new plaster drinks: the first coat is thinned, after weeks of drying' }
  const reasons = [
    ground.bare ? 'bare' : '',
    ground.stained ? 'stained' : '',
    ground.glossy ? 'glossy' : '',
    coatsFor(null, ground.old, fresh, rules).coats.length > 1 ? 'a very different colour' : '',
  ].filter(Boolean)
  return reasons.length === 0 ? { what: 'none', because: '' } : { what: 'primer', because: reasons.join(', ') }
}

/** What has to be bought of a colour, in litres: what it takes and a reserve for touching up, less what is left from elsewhere. */
export const litresToBuy = (litres: number, leftLitres: number, rules: Rules): number =>
  litres === 0 ? 0 : Math.max(0, litres + rules['paint.reserve'] - leftLitres)
