/** How things on show are drawn: in a box one wide and one high, its lower left at the origin, y downwards from its top. */
import type { Display } from '#core/makeover/room-choices.ts'

/** One path each; books are drawn spine by spine. */
const shapes: Readonly<Record<Exclude<Display, 'books' | 'other'>, string>> = {
  vase: 'M0.34 0H0.66C0.6 0.14 0.62 0.22 0.78 0.34C1.04 0.54 1.02 0.86 0.74 1H0.26C-0.02 0.86 -0.04 0.54 0.22 0.34C0.38 0.22 0.4 0.14 0.34 0Z',
  bowl: 'M0 0.08H1C0.97 0.6 0.78 0.86 0.64 0.92V1H0.36V0.92C0.22 0.86 0.03 0.6 0 0.08Z',
  box: 'M0 0H1V0.3H0ZM0.02 0.3H0.98V1H0.02Z',
  basket: 'M0 0.12H1L0.92 1H0.08ZM0.2 0.12C0.2 -0.04 0.8 -0.04 0.8 0.12',
  jar: 'M0.2 0H0.8V0.14H0.2ZM0.14 0.14H0.86C1 0.2 1 0.3 1 0.36V1H0V0.36C0 0.3 0 0.2 0.14 0.14Z',
  candle: 'M0.32 0.12H0.68V0.86H0.32ZM0.1 0.86H0.9V1H0.1ZM0.5 0V0.12',
  frame: 'M0 0H1V1H0ZM0.14 0.12H0.86V0.88H0.14Z',
  figure:
    'M0.5 0C0.68 0 0.74 0.2 0.6 0.28C0.86 0.36 0.88 0.66 0.76 0.84H0.9V1H0.1V0.84H0.24C0.12 0.66 0.14 0.36 0.4 0.28C0.26 0.2 0.32 0 0.5 0Z',
  plate: 'M0.5 0A0.5 0.5 0 1 1 0.5 1A0.5 0.5 0 1 1 0.5 0ZM0.5 0.2A0.3 0.3 0 1 1 0.5 0.8A0.3 0.3 0 1 1 0.5 0.2Z',
  plant:
    'M0.5 0C0.66 0.1 0.74 0.04 0.86 0.14C1.04 0.3 0.96 0.5 0.78 0.56H0.66V0.62H0.8L0.72 1H0.28L0.2 0.62H0.34V0.56H0.22C0.04 0.5 -0.04 0.3 0.14 0.14C0.26 0.04 0.34 0.1 0.5 0Z',
  lamp: 'M0.22 0H0.78L1 0.46H0ZM0.46 0.46H0.54V0.9H0.46ZM0.24 0.9H0.76V1H0.24Z',
  clock: 'M0.5 0A0.5 0.45 0 1 1 0.5 0.9A0.5 0.45 0 1 1 0.5 0ZM0.5 0.16V0.46L0.7 0.58M0.2 0.9H0.8V1H0.2Z',
}

/** What is none of these is a block. */
export const shapeOf = (what: Display): string => (what in shapes ? shapes[what as keyof typeof shapes] : 'M0 0H1V1H0Z')

/** The spines of a row of books so wide and high: each with its place and its height, the same for the same row. */
export function spinesOf(id: string, widthMm: number, heightMm: number): { x: number; wide: number; high: number }[] {
  const many = Math.max(1, Math.round(widthMm / 32))
  let seed = [...id].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) >>> 0, 7)
  const next = (): number => (seed = (seed * 1664525 + 1013904223) >>> 0) / 4294967296
  const raw = Array.from({ length: many }, () => 0.7 + 0.6 * next())
  const total = raw.reduce((sum, part) => sum + part, 0)
  let x = 0
  return raw.map((part, at) => {
    const wide = (part / total) * widthMm
    const spine = { x, wide, high: heightMm * (at === Math.floor(many / 3) ? 1 : 0.82 + 0.18 * next()) }
    x += wide
    return spine
  })
}
