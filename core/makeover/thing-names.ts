/** What a thing is, as far as its name tells. Common practice of the trade. */
import type { Stuff, ThingKind } from './choices.ts'

/** What it is by its name, where nobody said; “other” where the name does not tell. */
const named: readonly (readonly [ThingKind, RegExp])[] = [
  ['material', /\b(paint|wallpaper|primer|varnish|grout|tiles?|underlay|skirting|moulding|molding|plaster)\b/i],
  ['rug', /\b(rugs?|carpet|hall runner|stair runner|doormat|bath mat)\b/i],
  ['curtain', /\b(curtains?|blinds?|drapes?|shutters?)\b/i],
  ['light', /\b(lamps?|lights?|pendants?|chandelier|sconces?|lanterns?|spotlights?)\b/i],
  ['mirror', /\bmirrors?\b/i],
  [
    'textile',
    /\b(cushions?|pillows?|throws?|bedding|blankets?|quilt|duvet|table ?cloths?|runners?|napkins?|towels?)\b/i,
  ],
  ['seat', /\b(sofas?|couch|chairs?|armchairs?|stools?|bench(?:es)?|ottoman|pouf|seats?)\b/i],
  ['table', /\b(tables?|trestles?|desks?|consoles?|nightstands?)\b/i],
  ['bed', /\b(beds?|cot|crib|daybed|mattress|bunk)\b/i],
  ['shelf', /\b(shelf|shelves|ledges?|racks?)\b/i],
  [
    'storage',
    /\b(cupboards?|cabinets?|dressers?|wardrobes?|bookcases?|bookshelves|sideboards?|chests?|drawers|baskets?|trunks?)\b/i,
  ],
  ['plant', /\b(plants?|fern|palm|olive tree|planters?|ficus|ivy)\b/i],
  ['work', /\b(prints?|painting|picture|pictures|poster|photographs?|artwork|drawing|frames?|tapestry|hangings?)\b/i],
  [
    'fixture',
    /\b(taps?|faucets?|basins?|sinks?|bath|showers?|toilet|counter ?tops?|worktops?|handles?|knobs?|pulls?|hooks?|towel rail)\b/i,
  ],
  [
    'appliance',
    /\b(oven|fridge|refrigerator|dishwasher|washing machine|dryer|hob|stove|heater|television|urn|kettle|fire ?(?:pit|bowl|basket)|brazier|barbecue|chiminea)\b/i,
  ],
  ['ornament', /\b(vases?|bowls?|candles?|candlesticks?|ornaments?|figurines?|books|clock|tray)\b/i],
]

/** The kind a name tells: what stands before “for”, “of” and a comma is the thing. */
export function thingByName(name: string): ThingKind {
  const [thing = ''] = name.split(/,| (?:for|of|over|under|by|on|with|in|at|to|against|from) /i)
  // the last noun is the thing: a bed lamp is a lamp, a lamp table is a table
  const found = named
    .map(([kind, words]) => ({ kind, at: lastOf(thing, words) }))
    .filter(({ at }) => at >= 0)
    .sort((left, right) => right.at - left.at)
  return found[0]?.kind ?? 'other'
}
function lastOf(text: string, words: RegExp): number {
  const last = [...text.matchAll(new RegExp(words.source, 'gi'))].at(-1)
  return last ? last.index + last[0].length : -1
}

/** What a piece is: as it was said, else by its name. */
export const thingOf = (piece: { readonly thing: ThingKind; readonly name: string }): ThingKind =>
  piece.thing === 'other' ? knownByName(piece.name) : piece.thing
/** Names are asked again and again: what was found of them is kept, of the last thousand. */
const known = new Map<string, ThingKind>()
function knownByName(name: string): ThingKind {
  const found = known.get(name)
  if (found !== undefined) return found
  if (known.size >= 1000) known.clear()
  const thing = thingByName(name)
  known.set(name, thing)
  return thing
}

/** Woods, metals, leaves and undyed fibres are materials rather than colours: by what it is made of, its kind, or its name. */
export function isNatural(thing: ThingKind, madeOf: Stuff | null, name: string): boolean {
  if (thing === 'plant' || thing === 'material') return true
  if (madeOf !== null) return naturalStuffs.has(madeOf)
  return naturalWords.test(name)
}
const naturalStuffs: ReadonlySet<Stuff> = new Set([
  'solid wood',
  'veneer',
  'cane',
  'jute or sisal',
  'hide',
  'leather',
  'stone',
  'marble or limestone',
  'steel or iron',
  'brass or bronze',
])
const naturalWords =
  /\b(oak|pine|walnut|teak|ash|elm|beech|birch|larch|maple|cherry|mahogany|bamboo|wood(?:en)?|timber|rattan|cane|wicker|jute|sisal|seagrass|raffia|leather|hide|brass|copper|bronze|gold|gilt|steel|iron|terracotta|brick|stone|marble|fern|palm|ivy|olive tree)\b/i
