/**
 * Tiles laid from an origin: where each lies, which are whole and which are cut, how many that takes, and the shift that leaves no
 * sliver. Lengths in mm.
 */
import { areaOf, type Point } from '../survey/index.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { boxed, boxOf, boxOfAll, within, type Part } from './outlines.ts'
import { cutsOf, shifted } from './tile-cuts.ts'
import { outlinesOf, sideOf } from './tile-patterns.ts'

export type Layout = 'grid' | 'half' | 'third' | 'stacked' | 'diagonal' | 'herringbone'
export type Tile = { readonly widthMm: number; readonly heightMm: number; readonly jointMm: number }
export type Laying = {
  readonly layout: Layout
  /** On its side. */
  readonly turned: boolean
  /** By how much the corner of a tile is moved from the middle of the region. */
  readonly startMm: number
  readonly upMm: number
  /** Offcuts serve again where they fit. */
  readonly reuse: boolean
}
export type LaidTile = {
  readonly outline: readonly Point[]
  readonly whole: boolean
  /** How wide and high what is used of it is, along its own sides. */
  readonly width: number
  readonly height: number
}
export type Tiling = {
  readonly tiles: readonly LaidTile[]
  readonly whole: number
  readonly cut: number
  /** Tiles that it takes, with or without the offcuts used again, before breakage. */
  readonly taken: number
  /** With what breaks. */
  readonly toBuy: number
  /** The narrowest cut, as a share of its tile, and how many lie under a third; only where joints run with the walls. */
  readonly narrowest: number
  readonly slivers: number
  /** The origin that leaves the widest cuts, where there are slivers and it leaves fewer. */
  readonly better: { readonly startMm: number; readonly upMm: number; readonly narrowest: number } | null
}
export type TilingResult =
  { readonly ok: true; readonly tiling: Tiling } | { readonly ok: false; readonly error: string }

/** Lays a region with tiles. Errors say what is wrong with the tile; a region of nothing takes none. */
export function layTiles(region: readonly Part[], tile: Tile, laying: Laying, rules: Rules): TilingResult {
  const wrong = faultOf(region, tile, rules)
  if (wrong !== null) return { ok: false, error: wrong }
  const tiles = laid(region, tile, laying)
  const whole = tiles.filter((piece) => piece.whole).length
  const taken = laying.reuse && isStraight(laying) ? withOffcuts(tiles, sideOf(tile, laying), rules) : tiles.length
  const straight = isStraight(laying) ? cutsOf(region, tile, laying, rules) : null
  const narrowest = straight?.narrowest ?? 1
  const slivers = straight === null ? 0 : sliversOf(tiles, sideOf(tile, laying), rules)
  return {
    ok: true,
    tiling: {
      tiles,
      whole,
      cut: tiles.length - whole,
      taken,
      toBuy: Math.ceil(taken * (1 + rules['tile.breakage'] / 100) - 1e-9),
      narrowest,
      slivers,
      better: slivers > 0 ? shifted(region, tile, laying, rules) : null,
    },
  }
}

function faultOf(region: readonly Part[], { widthMm, heightMm, jointMm }: Tile, rules: Rules): string | null {
  if (!(widthMm > 0) || !(heightMm > 0)) return 'a tile has a width and a height above nothing'
  if (!(jointMm >= 0)) return 'a joint is nothing or more'
  if (region.length === 0) return null
  const box = boxOfAll(region)
  const [wide, high] = [box.right - box.left, box.high - box.low]
  const across = Math.max(wide, high)
  if (Math.min(widthMm, heightMm) > across)
    return `a tile of ${Math.round(widthMm)} × ${Math.round(heightMm)} mm is larger than what it is laid on, ${Math.round(wide)} × ${Math.round(high)} mm`
  const most = (wide / widthMm) * (high / heightMm)
  return most > rules['tile.most'] ? `more than ${rules['tile.most']} tiles: look at the size of the tile` : null
}

const isStraight = ({ layout }: Laying): boolean => layout !== 'diagonal' && layout !== 'herringbone'

function laid(region: readonly Part[], tile: Tile, laying: Laying): LaidTile[] {
  if (region.length === 0) return []
  const box = boxOfAll(region)
  const parts = region.map(boxed)
  const size = sideOf(tile, laying)
  const full = size.width * size.height
  return outlinesOf(box, tile, laying).flatMap((outline): LaidTile[] => {
    const found = within(parts, outline, isStraight(laying))
    if (!found) return []
    const whole = found.area >= full * (1 - 1e-6)
    if (whole || !isStraight(laying)) return [{ outline, whole, ...size }]
    const used = boxOf(found.points)
    return [{ outline, whole, width: used.right - used.left, height: used.high - used.low }]
  })
}

/** Straight cuts of tiles, the largest first, each from an offcut that is large enough, else from a new tile. */
function withOffcuts(
  tiles: readonly LaidTile[],
  { width, height }: { width: number; height: number },
  rules: Rules,
): number {
  const saw = rules['tile.saw']
  const offcuts: { width: number; height: number }[] = []
  let opened = tiles.filter(({ whole }) => whole).length
  const pieces = tiles
    .filter(({ whole }) => !whole)
    .toSorted((left, right) => right.width * right.height - left.width * left.height)
  for (const piece of pieces) {
    const at = offcuts.findIndex((offcut) => offcut.width >= piece.width - 1e-6 && offcut.height >= piece.height - 1e-6)
    const stock = at < 0 ? { width, height } : offcuts.splice(at, 1)[0]
    if (at < 0) opened++
    if (!stock) continue
    const beside = { width: stock.width - piece.width - saw, height: stock.height }
    const above = { width: stock.width, height: stock.height - piece.height - saw }
    const rest = beside.width * beside.height >= above.width * above.height ? beside : above
    if (rest.width > 0 && rest.height > 0) offcuts.push(rest)
  }
  return opened
}

/** How many cut tiles keep less than the least share of their width or height. */
const sliversOf = (
  tiles: readonly LaidTile[],
  { width, height }: { width: number; height: number },
  rules: Rules,
): number =>
  tiles.filter(
    (tile) => !tile.whole && Math.min(tile.width / width, tile.height / height) < rules['tile.sliver'] / 100 - 1e-6,
  ).length

/** Tiles for a bare area that nobody laid out: with the trade's addition for cuts, by the layout. */
export const tilesByArea = (m2: number, { widthMm, heightMm, jointMm }: Tile, layout: Layout, rules: Rules): number => {
  const tileM2 = ((widthMm + jointMm) * (heightMm + jointMm)) / 1e6
  const addition =
    layout === 'diagonal' || layout === 'herringbone' ? rules['tile.waste-diagonal'] : rules['tile.waste-straight']
  return Math.ceil((m2 * (1 + addition / 100)) / tileM2 - 1e-9)
}

/** Grout in kg: (a + b) ÷ (a·b) × depth × joint × 1.6 a square metre, in mm; as tile makers' tables have it. */
export const groutKg = (m2: number, { widthMm, heightMm, jointMm }: Tile, depthMm: number, rules: Rules): number =>
  m2 * ((widthMm + heightMm) / (widthMm * heightMm)) * depthMm * jointMm * rules['tile.grout']

/** The area that a region comes to, in m². */
export const m2Of = (region: readonly Part[]): number => region.reduce((sum, part) => sum + areaOf(part), 0) / 1e6
