/** Hard ground outdoors: concrete, what is under it, its joints, its fall and its edge. Lengths in mm, areas in m², volumes in m³. */
import type { Rules } from '../rulebook/rulebook.ts'

export type HardGround = {
  readonly m2: number
  /** The longer and the shorter side of what is laid. */
  readonly longMm: number
  readonly shortMm: number
  readonly edgeMm: number
  readonly thickMm: number
  readonly baseMm: number
  /** How far apart its joints are; null for as the rule gives. */
  readonly everyMm: number | null
}
export type Slab = {
  readonly concreteM3: number
  readonly bags: number
  readonly baseM3: number
  /** As they will be, and how many times the thickness that is. */
  readonly everyMm: number
  readonly times: number
  readonly jointsLong: number
  readonly jointsShort: number
  readonly jointMm: number
  /** How much lower the far end lies. */
  readonly fallMm: number
  readonly edgeMm: number
}
export type SlabResult = { readonly ok: true; readonly slab: Slab } | { readonly ok: false; readonly error: string }

/** What a slab takes. Joints are laid out evenly, no further apart than was asked, or than the rule has it. */
export function slabOf(
  { m2, longMm, shortMm, edgeMm, thickMm, baseMm, everyMm }: HardGround,
  rules: Rules,
): SlabResult {
  if (!(thickMm > 0)) return { ok: false, error: 'a slab has a thickness above nothing' }
  if (!(m2 > 0)) return { ok: false, error: 'there is no ground to lay: it is not measured' }
  const asked = everyMm ?? rules['ground.joint-note'] * thickMm
  if (!(asked > 0)) return { ok: false, error: 'joints are some way apart: expected more than nothing' }
  const [along, across] = [Math.ceil(longMm / asked - 1e-9), Math.ceil(shortMm / asked - 1e-9)]
  const every = Math.max(longMm / along, shortMm / across)
  const concreteM3 = m2 * (thickMm / 1000)
  return {
    ok: true,
    slab: {
      concreteM3,
      bags: Math.ceil(concreteM3 / (rules['ground.bag'] / 1000) - 1e-9),
      baseM3: m2 * (baseMm / 1000),
      everyMm: every,
      times: every / thickMm,
      jointsLong: along - 1,
      jointsShort: across - 1,
      jointMm: (along - 1) * shortMm + (across - 1) * longMm,
      fallMm: longMm / rules['ground.fall'],
      edgeMm,
    },
  }
}
