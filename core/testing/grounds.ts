/** Grounds of small furnished rooms, and a polygon library that is not ours (Clipper, by Vatti’s algorithm), for tests of placing. */
import ClipperLib from 'clipper-lib'
import { bareField } from '../placement/clearance.ts'
import type { Ground } from '../placement/least-move.ts'
import type { Outline } from '../placement/shapes.ts'
import { endsOf } from '../placement/ways.ts'
import { furnished, type Stood } from './placed.ts'
import { rectangle, type Measured } from './surveyed.ts'

/** A door that opens in, and a window in the wall across from it. */
export const doorAndWindow: Measured = {
  walls: rectangle(5200, 4200),
  survey: { heightMm: 2500 },
  openings: [
    { wall: 0, what: 'door', fromMm: 300, widthMm: 850, headMm: 2000, hinge: 'left', swing: 'in' },
    { wall: 2, what: 'window', fromMm: 1800, widthMm: 1500, sillMm: 800, headMm: 2100 },
  ],
}
export const loose = (
  name: string,
  kind: 'seat' | 'table' | 'storage' | 'rug' | 'light' | 'bed',
  ...size: Stood['size']
): Stood => ({
  name,
  size,
  at: [0, 0],
  piece: { thing: kind },
})
export function groundOf(measured: Measured, things: readonly Stood[]) {
  const world = furnished(measured, things)
  const { setting, rules } = world
  const bare = bareField(setting)
  const ground: Ground = { setting, bare, ends: endsOf(setting, bare.grid), rules }
  return { ...world, ground }
}

// Clipper counts in whole units: tenths of a millimetre
export const fine = 10
export const pathOf = (outline: Outline) =>
  outline.map(({ x, y }) => ({ X: Math.round(x * fine), Y: Math.round(y * fine) }))
/** What two outlines share, in m². */
export function sharedM2(left: Outline, right: Outline): number {
  const clipper = new ClipperLib.Clipper()
  clipper.AddPath(pathOf(left), ClipperLib.PolyType.ptSubject, true)
  clipper.AddPath(pathOf(right), ClipperLib.PolyType.ptClip, true)
  const shared: ClipperLib.Paths = []
  const rule = ClipperLib.PolyFillType.pftNonZero
  clipper.Execute(ClipperLib.ClipType.ctIntersection, shared, rule, rule)
  return shared.reduce((sum, path) => sum + Math.abs(ClipperLib.Clipper.Area(path)), 0) / (fine * fine * 1e6)
}
