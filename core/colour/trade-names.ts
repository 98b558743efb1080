/**
 * What decorators mean by a colour's name: a middle in CIELAB (D65) and how far around it people still say so, in ΔE00. Our
 * own choice of middles, by the common use of the words in the trade; a name is always "about". A web browser's beige is
 * nearly white and its navy violet: these come first.
 */
import type { Lab } from './lab.ts'

type Named = readonly [L: number, a: number, b: number, around?: number]
const middles: Readonly<Record<string, Named>> = {
  'off-white': [94, 0, 4, 4],
  ivory: [95, 0, 9, 4],
  cream: [93, 0, 14, 5],
  linen: [88, 1, 9, 5],
  oatmeal: [82, 2, 11, 6],
  beige: [80, 3, 15, 7],
  sand: [77, 4, 20, 7],
  putty: [73, 2, 12, 6],
  stone: [72, 1, 8, 7],
  greige: [68, 2, 7, 6],
  mushroom: [65, 4, 9, 6],
  taupe: [57, 4, 9, 8],
  khaki: [61, 1, 22, 8],
  camel: [62, 12, 32, 7],
  tan: [67, 9, 25, 8],
  caramel: [55, 18, 36, 8],
  chocolate: [28, 11, 13, 7],
  charcoal: [29, 0, -2, 6],
  slate: [45, -2, -7, 8],
  blush: [83, 12, 9, 6],
  rose: [70, 24, 7, 9],
  'dusty pink': [72, 15, 7, 7],
  coral: [67, 37, 28, 9],
  peach: [82, 14, 23, 7],
  apricot: [78, 18, 34, 8],
  terracotta: [52, 31, 33, 8],
  brick: [43, 32, 25, 8],
  rust: [43, 33, 38, 8],
  burgundy: [25, 32, 11, 8],
  plum: [31, 22, -9, 8],
  aubergine: [20, 15, -7, 7],
  lilac: [75, 13, -14, 8],
  lavender: [73, 9, -18, 8],
  navy: [21, 1, -24, 8],
  denim: [43, -1, -24, 9],
  'powder blue': [81, -6, -10, 7],
  'duck egg': [84, -7, -2, 6],
  petrol: [31, -13, -13, 8],
  teal: [42, -23, -9, 9],
  sage: [67, -8, 11, 8],
  moss: [44, -13, 28, 9],
  olive: [45, -5, 30, 9],
  'forest green': [32, -20, 12, 9],
  mustard: [66, 10, 58, 9],
  ochre: [62, 16, 51, 9],
  butter: [91, -1, 30, 7],
  lemon: [90, -6, 52, 9],
}
/** How far a word before the name takes its lightness, towards white or towards black. */
const shifts: Readonly<Record<string, number>> = { light: 0.35, pale: 0.5, dark: -0.3, deep: -0.25 }

export type TradeColour = { readonly name: string; readonly lab: Lab; readonly around: number }

/** A name of the trade, with "light", "pale", "dark" or "deep" before it; null for a word it does not know. */
export function tradeColour(text: string): TradeColour | null {
  const words = text
    .trim()
    .toLowerCase()
    .replace(/[\s-]+/g, ' ')
  const [first = '', ...rest] = words.split(' ')
  const shift = shifts[first]
  const bare = shift === undefined ? words : rest.join(' ')
  const name = Object.keys(middles).find((known) => known.replace('-', ' ') === bare)
  const middle = name === undefined ? undefined : middles[name]
  if (name === undefined || !middle) return null
  const [L, a, b, around = 7] = middle
  const by = shift ?? 0
  const weaker = 1 - Math.abs(by) / 2 // nearer to white or black there is less colour to be had
  return {
    name: words,
    lab: { L: by > 0 ? L + (98 - L) * by : L * (1 + by), a: a * weaker, b: b * weaker },
    around,
  }
}
