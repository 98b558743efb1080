import { zero } from '../money/minor.ts'
import type { Fields, Kind } from './kinds.ts'

const sizes = { widthMm: null, depthMm: null, heightMm: null }
/** Terms of a thing that costs nothing and is here: what a form begins with. */
export const plainTerms = {
  priceMinor: zero,
  packSize: 1,
  periods: 1,
  discountPpm: 0,
  deliveryMinor: zero,
  taxPpm: 0,
  taxIncluded: false,
  deliveryTaxed: true,
  workMinor: zero,
  hours: 0,
  hourMinor: zero,
  tradePpm: 0,
  leadDays: 0,
  returnDays: null,
  adjustDays: null,
}

/** What a new row of a kind says while nobody has said more: the fields that may stay as they are. */
export const blank = {
  seller: { taxRounding: 'line', adjustDays: null, note: '' },
  makeover: { scope: 'decorate', entryUnit: 'mm', builtYear: null },
  survey: { heightMm: null, dadoMm: null, railMm: null, facesDeg: null, measuredOn: null, note: '' },
  wall: { name: '', lengthMm: null, corner: 'inside', cornerDeg: null, curve: 'straight', curveMm: null, bows: 'out', heightMm: null },
  opening: { name: '', fromEnd: false, sillMm: 0, revealMm: null, hinge: 'none', swing: 'none', clearMm: null, sharesId: null },
  fixture: { name: '', fromEnd: false, widthMm: null, heightMm: null, depthMm: null, outMm: 0, note: '' },
  passage: { heightMm: null, depthMm: null, note: '' },
  zone: { wallId: null, fromMm: null, widthMm: null, depthMm: null },
  need: { who: '' },
  inspiration: { liked: '', materials: '', hues: '', words: '' },
  agreement: { kept: '' },
  piece: { setName: '', hides: false, wallId: null, aboveMm: 0, ...sizes },
  candidate: { source: 'new', article: '', link: '', colourName: '', batch: '', condition: '', origin: '', keepReason: null, goBackOn: null, hole: '', lookAgainOn: null, ...plainTerms, priceKind: 'asked', pricedOn: null, labL: null, labA: null, labB: null, ...sizes, lifeYears: null, methods: '', qualities: '', turnedDown: null },
  finish: { zoneId: null, place: 0, texture: 'usual', surface: 'other', pieceId: null, pattern: 'plain', patternScale: null, repeatMm: null, suits: '', hides: false, methods: '', qualities: '', fate: null, condition: null, material: null, laidYear: null, wallId: null, bandFromMm: null, bandToMm: null },
  sample: { orderedOn: null, cameOn: null, verdict: 'open', judgedBy: '' },
  viewing: { wallId: null, seenOn: null, verdict: 'open', judgedBy: '', note: '' },
  order: { reference: '', boughtBy: 'client', depositMinor: zero, balanceDueOn: null, taxRounding: 'line', couponId: null, note: '' },
  purchase: { couponMinor: zero, ...plainTerms },
  delivery: { damagedPacks: 0, note: '' },
  return: { restockingMinor: zero, settles: 'money' },
  payment: { creditId: null, reversesId: null },
  attachment: { orderId: null, deliveryId: null, candidateId: null, inspirationId: null, finishId: null, roomId: null },
} as const satisfies { readonly [K in Kind]?: Partial<Fields<K>> }

/** The terms of a candidate, to be copied on its order. */
export function termsOf<T extends { readonly [F in keyof typeof plainTerms]: unknown }>(candidate: T): Pick<T, keyof typeof plainTerms & keyof T> {
  return Object.fromEntries(Object.keys(plainTerms).map((field) => [field, candidate[field as keyof typeof plainTerms]])) as Pick<T, keyof typeof plainTerms & keyof T>
}
