/**
 * What is sewn, as panels with their seams: cushions, seats, box covers, table cloths, runners; and the strips cut on the bias that
 * cover a cord. Lengths in mm.
 */
import type { Rules } from '../rulebook/rulebook.ts'
import { wrong, type Cloth, type Wrong } from './cloth.ts'
import { packed, type Heard, type Packing, type Panel } from './packing.ts'

export const sewnThings = [
  'square cushion',
  'round cushion',
  'bolster',
  'box cushion',
  'seat pad',
  'bench cover',
  'table cloth',
  'bed runner',
  'drop-in seat',
  'headboard',
  'ottoman',
] as const
export type SewnThing = (typeof sewnThings)[number]
export const edges = ['plain', 'piped', 'flange'] as const
export type Edge = (typeof edges)[number]

export type SewnAsked = {
  readonly thing: SewnThing
  readonly count: number
  /** Finished; of a round one the first is its diameter, of a bolster its length. */
  readonly widthMm: number
  readonly depthMm: number
  /** How thick it is, of a box and a bench cover; how far a table cloth hangs down. */
  readonly heightMm: number
  readonly edge: Edge
  /** How wide its flange is. */
  readonly flangeMm: number
  /** Its back of the same cloth; else the back is of another. */
  readonly isBackToo: boolean
  /** Its motif lies in the middle of what is seen. */
  readonly isCentred: boolean
  /** A pile or a pattern that runs one way: no panel lies on its side. */
  readonly hasWay: boolean
  /** It runs along the width of the thing rather than up it, as a stripe along a bench: every panel lies on its side. */
  readonly isAlong?: boolean
  readonly cloth: Cloth
}
export type Sewn = {
  readonly panels: readonly Panel[]
  readonly packing: Packing
  /** Of the backs, where they are of another cloth as wide; null where they are of the same. */
  readonly back: Packing | null
  /** What is sewn to it besides: zips, piping cord, a pad. Each with its number and its length. */
  readonly zips: { readonly count: number; readonly lengthMm: number } | null
  readonly cordMm: number
  readonly bias: Bias | null
  readonly pads: string
  /** With the strips cut on the bias, from the same cloth. */
  readonly lengthMm: number
}
export type SewnResult = { readonly ok: true; readonly sewn: Sewn } | Wrong

export function sewnFrom(asked: SewnAsked, rules: Rules, heard?: Heard): SewnResult {
  const fault = faultOf(asked)
  if (fault) return fault
  const { thing, count, widthMm, depthMm, cloth, edge } = asked
  const upright = panelsOf(asked, rules['sewn.seam'], rules['sewn.tuck'])
  const single = asked.isAlong ? upright.map(onItsSide) : upright
  const times = (some: readonly Panel[]): Panel[] =>
    Array.from({ length: count }, (_, at) =>
      some.map((panel) => ({ ...panel, name: count === 1 ? panel.name : `${panel.name} ${at + 1}` })),
    ).flat()
  const [seen, backs] = [single.filter(({ name }) => !isBack(name)), single.filter(({ name }) => isBack(name))]
  const panels = times(asked.isBackToo ? single : seen)
  const found = packed(panels, cloth, undefined, heard)
  if (!found.ok) return found
  const back =
    asked.isBackToo || backs.length === 0 ? null : packed(times(backs), { ...cloth, repeatMm: 0, acrossMm: 0 })
  if (back && !back.ok) return back
  const round = edge === 'piped' ? pipedOf(asked) : 0
  const cord = count * round
  const bias = cord > 0 ? biasStrips(cord, cloth.widthMm, rules) : null
  const isCushion = thing !== 'table cloth' && thing !== 'bed runner' && !upholstered.has(thing)
  const opens =
    thing === 'bolster' ? widthMm : thing === 'round cushion' ? (widthMm * 2) / 3 : Math.max(widthMm, depthMm)
  return {
    ok: true,
    sewn: {
      panels,
      packing: found.packing,
      back: back?.packing ?? null,
      zips: isCushion ? { count, lengthMm: Math.max(100, opens - rules['sewn.zip-less']) } : null,
      cordMm: cord,
      bias,
      pads: isCushion || upholstered.has(thing) ? padOf(asked) : '',
      lengthMm: found.packing.lengthMm + (bias?.clothMm ?? 0),
    },
  }
}

const onItsSide = (panel: Panel): Panel => ({
  ...panel,
  widthMm: panel.lengthMm,
  lengthMm: panel.widthMm,
  mayTurn: false,
})
/** Drawn over its foam and stapled under its board: it has no zip, and no back that is seen. */
export const upholstered: ReadonlySet<SewnThing> = new Set(['drop-in seat', 'headboard', 'ottoman'])
const isBack = (name: string): boolean => name === 'back' || name === 'underside'
/** The panels of one of them, with their seams, its back among them. */
function panelsOf(asked: SewnAsked, seam: number, tuck: number): Panel[] {
  const { thing, widthMm, depthMm, heightMm, isCentred, hasWay } = asked
  const flange = asked.edge === 'flange' ? 2 * asked.flangeMm : 0
  const panel = (name: string, across: number, along: number, seen = false): Panel => ({
    name,
    widthMm: across + flange + 2 * seam,
    lengthMm: along + flange + 2 * seam,
    mayTurn: !hasWay && !(seen && isCentred),
    onRepeat: seen && isCentred,
  })
  switch (thing) {
    case 'round cushion':
      return [panel('front', widthMm, widthMm, true), panel('back', widthMm, widthMm)]
    case 'bolster':
      return [
        { ...panel('body', Math.PI * depthMm, widthMm, true) },
        panel('end', depthMm, depthMm),
        panel('further end', depthMm, depthMm),
      ]
    case 'box cushion':
    case 'bench cover': {
      // the border goes round the front and both sides; at the back two halves meet in the zip
      const back = heightMm / 2 + seam
      return [
        panel('top', widthMm, depthMm, true),
        panel('underside', widthMm, depthMm),
        panel('border, front', widthMm, heightMm),
        panel('border, left', depthMm, heightMm),
        panel('border, right', depthMm, heightMm),
        panel('zip half', widthMm, back),
        panel('further zip half', widthMm, back),
      ]
    }
    case 'drop-in seat':
    case 'headboard': {
      const over = 2 * (heightMm + tuck - seam)
      return [panel('cover', widthMm + over, depthMm + over, true)]
    }
    case 'ottoman':
      // the border goes round in two, joined at two corners; its lower edge is stapled under
      return [
        panel('top', widthMm, depthMm, true),
        panel('border', widthMm + depthMm, heightMm + tuck - seam),
        panel('further border', widthMm + depthMm, heightMm + tuck - seam),
      ]
    case 'table cloth':
      // its hem is turned twice
      return [panel('cloth', widthMm + 2 * heightMm + 2 * seam, depthMm + 2 * heightMm + 2 * seam, true)]
    default:
      return [panel('front', widthMm, depthMm, true), panel('back', widthMm, depthMm)]
  }
}

/** Round what a cord goes, on one of them. */
function pipedOf({ thing, widthMm, depthMm }: SewnAsked): number {
  if (thing === 'round cushion') return Math.PI * widthMm
  if (thing === 'bolster') return 2 * Math.PI * depthMm
  const round = 2 * (widthMm + depthMm)
  return thing === 'box cushion' || thing === 'bench cover' ? 2 * round : round
}
/** A pad is bought a little larger than its cover, so that the cover is filled; foam as it is. */
function padOf({ thing, count, widthMm, depthMm, heightMm }: SewnAsked): string {
  const cm = (mm: number): string => String(Math.round(mm / 10))
  const times = count === 1 ? '' : `${count} × `
  if (thing === 'round cushion') return `${times}pad, ${cm(widthMm + 30)} cm across`
  if (thing === 'bolster') return `${times}bolster pad, ${cm(widthMm)} × ${cm(depthMm)} cm`
  if (thing === 'ottoman') return `${times}foam, ${cm(widthMm)} × ${cm(depthMm)} × 5 cm, on its box`
  if (thing !== 'square cushion')
    return `${times}foam, ${cm(widthMm)} × ${cm(depthMm)} × ${cm(Math.max(heightMm, 30))} cm`
  return `${times}pad, ${cm(widthMm + 50)} × ${cm(depthMm + 50)} cm`
}

export type Bias = { readonly strips: number; readonly stripMm: number; readonly clothMm: number }
/** Strips at 45° that cover so much cord, sewn end to end: each strip is (width − 2 seams) · √2 long, and n of them take the width and n · strip · √2 of cloth. */
export function biasStrips(cordMm: number, clothWidthMm: number, rules: Rules): Bias {
  const strip = rules['sewn.piping']
  const net = (clothWidthMm - 2 * rules['sewn.seam']) * Math.SQRT2
  const strips = Math.max(1, Math.ceil(cordMm / net - 1e-9))
  return { strips, stripMm: strip, clothMm: clothWidthMm + strips * strip * Math.SQRT2 }
}

/** What is nothing without its thickness. */
export const thick: ReadonlySet<SewnThing> = new Set(['box cushion', 'bench cover', ...upholstered])

function faultOf({ thing, count, widthMm, depthMm, heightMm, edge, flangeMm }: SewnAsked): Wrong | null {
  if (!Number.isInteger(count) || count < 1 || count > 40) return wrong('count', 'is not one to forty')
  if (!(widthMm > 0)) return wrong('size', 'is nothing: expected how wide it is when it is done')
  if (thing !== 'round cushion' && !(depthMm > 0))
    return wrong('depth', 'is nothing: expected how deep it is when it is done')
  if (thick.has(thing) && !(heightMm > 0)) return wrong('height', 'is nothing: expected how thick the box is')
  if (!(heightMm >= 0)) return wrong('height', 'is below nothing')
  if (edge === 'flange' && !(flangeMm > 0)) return wrong('flange', 'is nothing: expected how wide it is')
  return null
}
