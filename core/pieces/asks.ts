/** What each kind of thing is asked for, and what to look for where it is found. Common practice of the trade. */
import { thingKinds, type ThingKind } from '../makeover/choices.ts'

export const details = [
  'weightKg',
  'holds',
  'topMm',
  'front',
  'madeOf',
  'cleaning',
  'suits',
  'styles',
  'holes',
] as const
export type Detail = (typeof details)[number]
export type Asks = { readonly of: readonly Detail[]; readonly lookFor: readonly string[] }

export const asksOf: Readonly<Record<ThingKind, Asks>> = {
  seat: {
    of: ['topMm', 'madeOf', 'cleaning', 'weightKg', 'styles'],
    lookFor: [
      'Sit in it: the height of its seat, against the table or the sofa beside it',
      'A sound frame; stains and pilling do not matter where it is covered anew',
      'Second-hand: the fire label, pests, damp',
    ],
  },
  bed: {
    of: ['topMm', 'madeOf', 'weightKg', 'styles'],
    lookFor: ['How high the mattress lies, for the tables beside it', 'What it takes up when it is pulled out'],
  },
  table: {
    of: ['topMm', 'madeOf', 'cleaning', 'weightKg', 'styles'],
    lookFor: ['The height of its top, and of its apron, for knees', 'What its top stands: water, heat, food'],
  },
  storage: {
    of: ['holds', 'front', 'madeOf', 'weightKg', 'holes', 'styles'],
    lookFor: [
      'How much it holds, measured inside',
      'How far doors and drawers come out',
      'Whether its top can be fixed to the wall',
    ],
  },
  shelf: {
    of: ['holds', 'front', 'madeOf', 'weightKg', 'holes', 'styles'],
    lookFor: ['How much it holds, in metres', 'What its brackets carry, by the packet', 'The depth of the board'],
  },
  light: {
    of: ['topMm', 'madeOf', 'weightKg', 'holes', 'styles'],
    lookFor: [
      'How long its lead is, and where the next socket is',
      'The light of its lamp: kelvin and lumens',
      'A switch in reach of the pillow, where it stands beside a bed',
    ],
  },
  rug: {
    of: ['madeOf', 'cleaning', 'suits', 'weightKg'],
    lookFor: ['What the pile is made of, for who walks there', 'How it is cleaned', 'An underlay that holds it'],
  },
  curtain: {
    of: ['madeOf', 'cleaning', 'suits', 'holes'],
    lookFor: ['Cords, where children are', 'Fading: the face and the lining', 'How much cloth it takes, by its repeat'],
  },
  textile: {
    of: ['madeOf', 'cleaning', 'suits'],
    lookFor: ['Whether the next bed’s size is sold too', 'How it is washed', 'More of the same batch'],
  },
  mirror: {
    of: ['weightKg', 'holes', 'styles'],
    lookFor: [
      'Its weight, and how it hangs',
      'What it will face: it doubles that',
      'Large and leaned: its top is fixed',
    ],
  },
  work: {
    of: ['weightKg', 'holes', 'styles'],
    lookFor: [
      'Its size with the frame, and how far the wire drops',
      'Glass: against the sun and against reflections are two things',
      'What its mat is made of',
    ],
  },
  plant: {
    of: ['weightKg', 'suits', 'topMm'],
    lookFor: ['Whether it harms animals or small children', 'The light it needs', 'The day it comes in'],
  },
  fixture: {
    of: ['madeOf', 'suits', 'holes', 'styles'],
    lookFor: [
      'Its metal, beside the metals on the same basin',
      'Whether the holes that are there fit it',
      'Who fits it: water and wiring are for licensed trades',
    ],
  },
  appliance: {
    of: ['weightKg', 'suits', 'holds'],
    lookFor: ['Its size with the air it needs round it', 'The plug, the pipe, the load of its circuit'],
  },
  ornament: {
    of: ['madeOf', 'weightKg', 'styles'],
    lookFor: ['Small parts and batteries, where children are', 'Flames: away from cloth'],
  },
  material: {
    of: ['madeOf', 'suits', 'cleaning'],
    lookFor: ['All of it of one batch', 'What the tin or the roll says it covers', 'Whether opened packs go back'],
  },
  other: { of: ['weightKg', 'holds', 'topMm', 'front', 'madeOf', 'cleaning', 'suits', 'styles', 'holes'], lookFor: [] },
}

/** What it is by its name, where nobody said; “other” where the name does not tell. */
const named: readonly (readonly [ThingKind, RegExp])[] = [
  ['material', /\b(paint|wallpaper|primer|varnish|grout|tiles?|underlay|skirting|moulding|molding|plaster)\b/i],
  ['rug', /\b(rugs?|carpet|hall runner|stair runner|doormat|bath mat)\b/i],
  ['curtain', /\b(curtains?|blinds?|drapes?|shutters?)\b/i],
  ['light', /\b(lamps?|lights?|pendants?|chandelier|sconces?|lanterns?|spotlights?)\b/i],
  ['mirror', /\bmirrors?\b/i],
  ['textile', /\b(cushions?|pillows?|throws?|bedding|blankets?|quilt|duvet|table ?cloth|runner|towels?)\b/i],
  ['seat', /\b(sofas?|couch|chairs?|armchairs?|stools?|bench(?:es)?|ottoman|pouf|seats?)\b/i],
  ['table', /\b(tables?|desks?|consoles?|nightstands?)\b/i],
  ['bed', /\b(beds?|cot|crib|daybed|mattress|bunk)\b/i],
  ['shelf', /\b(shelf|shelves|ledges?|racks?)\b/i],
  [
    'storage',
    /\b(cupboards?|cabinets?|dressers?|wardrobes?|bookcases?|bookshelves|sideboards?|chests?|drawers|baskets?|trunks?)\b/i,
  ],
  ['plant', /\b(plants?|fern|palm|olive tree|planters?|ficus|ivy)\b/i],
  ['work', /\b(prints?|painting|picture|pictures|poster|photographs?|artwork|drawing|frame|frames|tapestry)\b/i],
  ['fixture', /\b(taps?|faucets?|basins?|sinks?|bath|showers?|toilet|handles?|knobs?|pulls?|hooks?|towel rail)\b/i],
  ['appliance', /\b(oven|fridge|refrigerator|dishwasher|washing machine|dryer|hob|stove|heater|television)\b/i],
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
  piece.thing === 'other' ? thingByName(piece.name) : piece.thing

export const isThingKind = (text: string): text is ThingKind => thingKinds.some((kind) => kind === text)
