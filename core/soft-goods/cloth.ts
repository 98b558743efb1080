/** A cloth as it is sold by length. Lengths in mm. */
export type Cloth = {
  readonly widthMm: number
  /** How far its pattern goes along the length until it comes again; 0 where there is none. */
  readonly repeatMm: number
  /** The same across its width; 0 where it does not matter, as with a plain cloth or a stripe along it. */
  readonly acrossMm: number
}
/** The next place, from one on, at which a pattern begins; any place where there is no pattern. */
export const nextRepeat = (mm: number, repeatMm: number): number =>
  repeatMm > 0 ? Math.ceil(mm / repeatMm - 1e-9) * repeatMm : mm

/** What cannot be reckoned, with the field that it was typed in and what was expected there. */
export type Wrong = { readonly ok: false; readonly field: string; readonly error: string }
export const wrong = (field: string, error: string): Wrong => ({ ok: false, field, error })
