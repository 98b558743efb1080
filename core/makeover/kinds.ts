/**
 * The kinds of row that the two documents hold. A kind is one schema here, one table in the server (a test holds
 * them together) and the guards of its step; the door for changes knows no kind by name.
 *
 * Order matters: a kind stands after the kinds it refers to, so that rows are written parents first.
 */
import { object, type InferType } from 'yup'
import { currencyCodes } from '../money/currencies.ts'
import { ruleIds } from '../rulebook/rulebook.ts'
import { questionIds } from '../rulebook/schools.ts'
import {
  answers,
  bowings,
  buyers,
  claimReasons,
  colourSources,
  conditions,
  constraintReasons,
  couponBases,
  corners,
  couponGives,
  creditKinds,
  curves,
  entryUnits,
  families,
  fates,
  fixtureKinds,
  forbiddable,
  hingeSides,
  importances,
  keepReasons,
  lights,
  materials,
  mediaTypes,
  methods,
  openingKinds,
  passageKinds,
  patterns,
  priceKinds,
  qualities,
  roles,
  scales,
  scopes,
  settlements,
  sheens,
  sources,
  surfaces,
  swings,
  taxRoundings,
  tenders,
  textures,
  unitSystems,
  uses,
  verdicts,
  ways,
} from './choices.ts'
import {
  choice,
  count,
  date,
  digest,
  flag,
  label,
  line,
  money,
  quantity,
  rate,
  real,
  reference,
  several,
  timeZone,
} from './fields.ts'

/** A size in millimetres. */
const size = () => real(1, 100_000).nullable()
/** A distance in millimetres that may be nothing. */
const distance = (most = 100_000) => real(0, most)
const lab = { labL: real(0, 100), labA: real(-128, 128), labB: real(-128, 128) }
const maybeLab = { labL: real(0, 100).nullable(), labA: real(-128, 128).nullable(), labB: real(-128, 128).nullable() }

/** The terms a seller asks: kept on a candidate, and copied on a purchase, so that a later price never rewrites an order. */
const terms = {
  /** Of one pack; of one pack for one period, where it is rented. */
  priceMinor: money(),
  packSize: quantity(),
  /** How many periods it is rented for; 1 where it is bought. */
  periods: count(1, 1000),
  discountPpm: rate(),
  deliveryMinor: money(),
  taxPpm: rate(),
  taxIncluded: flag(),
  deliveryTaxed: flag(),
  /** Work on it, for all of it, as it is paid: cloth, paint, legs, fitting. */
  workMinor: money(),
  hours: real(0, 10_000).test(
    'thousandths',
    'expected at most three decimals',
    (value) => Math.round(value * 1000) === Number((value * 1000).toPrecision(15)),
  ),
  /** What an hour of that work costs. */
  hourMinor: money(),
  /** What the studio keeps of the price where it buys and bills on: its trade discount, before tax. */
  tradePpm: rate(),
  leadDays: count(0, 1000),
  /** Days to return, counted from the goods' arrival; null is a final sale. */
  returnDays: count(0, 1000).nullable(),
  /** Days from the order in which the seller pays back a price drop; null where it does not. */
  adjustDays: count(0, 1000).nullable(),
}

const row = <T extends Parameters<typeof object>[0]>(fields: T) =>
  object(fields as NonNullable<T>)
    .strict()
    .noUnknown(({ unknown }) => `has fields that are not known: ${unknown}`)

export const schemas = {
  studio: row({ name: label(), timeZone: timeZone() }),
  seller: row({
    name: label(),
    taxRounding: choice(taxRoundings),
    adjustDays: count(0, 1000).nullable(),
    note: line(500),
  }),
  studioRuling: row({ rule: choice(ruleIds), value: real(-100_000, 100_000) }),
  studioSchool: row({ question: choice(questionIds), school: label(60) }),

  makeover: row({
    name: label(),
    currency: choice(currencyCodes),
    units: choice(unitSystems),
    entryUnit: choice(entryUnits),
    scope: choice(scopes),
    installOn: date().nullable(),
    /** When the house was built, where anybody knows. */ builtYear: count(1000, 2200).nullable(),
  }),
  client: row({ name: label() }),
  room: row({ name: label() }),
  /** What was measured of a room as a whole. Heights are of the ceiling, the dado and the picture rail above the floor. */
  survey: row({
    roomId: reference(),
    heightMm: size(),
    dadoMm: size(),
    railMm: size(),
    /** The compass direction one looks in when facing the first wall. */ facesDeg: real(0, 360).nullable(),
    measuredOn: date().nullable(),
    note: line(500),
  }),
  /** A wall, in the order one walks round the room with its walls to the left: clockwise, seen from above. */
  wall: row({
    roomId: reference(),
    name: line(60),
    place: real(0, 1_000_000),
    /** Straight from corner to corner; null while it is not measured. */
    lengthMm: size(),
    /** The corner at its end. */
    corner: choice(corners),
    /** The angle of that corner inside the room. */
    cornerDeg: real(1, 359).nullable(),
    curve: choice(curves),
    curveMm: size(),
    /** Out of the room, or into it. */
    bows: choice(bowings),
    /** The height of the ceiling at its first corner, where corners differ. */
    heightMm: size(),
  }),
  /** A part of the ceiling that comes down towards a wall: low at the wall, and up to full height so far from it. */
  slope: row({ wallId: reference(), lowMm: distance(20_000), runMm: real(1, 100_000) }),
  /** A length from corner to corner that is no wall. A corner is named by the wall that begins there. */
  diagonal: row({ fromId: reference(), toId: reference(), lengthMm: real(1, 100_000) }),
  /** From the wall's first corner, or from its last, to the near edge; sill and head above the floor. */
  opening: row({
    wallId: reference(),
    what: choice(openingKinds),
    name: line(60),
    fromMm: distance(),
    fromEnd: flag(),
    widthMm: real(1, 100_000),
    sillMm: distance(20_000),
    headMm: real(1, 20_000),
    /** How deep its reveal is; of a niche, how deep it goes. */
    revealMm: size(),
    hinge: choice(hingeSides),
    swing: choice(swings),
    /** What can pass when it stands open. */
    clearMm: size(),
    /** The same opening, as it was measured in the next room. */
    sharesId: reference().nullable(),
  }),
  /** A fixed thing on a wall, or off it: a point by its middle, a thing with a width by its near and lower edge. */
  fixture: row({
    wallId: reference(),
    what: choice(fixtureKinds),
    name: line(60),
    fromMm: distance(),
    fromEnd: flag(),
    aboveMm: distance(20_000),
    widthMm: size(),
    heightMm: size(),
    depthMm: size(),
    /** How far off the wall. */ outMm: distance(),
    note: line(300),
  }),
  /** A stage of the way in, in order from the street, with its clear sizes. The depth is the second width of a turn, or a lift's. */
  passage: row({
    place: real(0, 1_000_000),
    what: choice(passageKinds),
    name: label(),
    widthMm: real(1, 100_000),
    heightMm: size(),
    depthMm: size(),
    note: line(500),
  }),
  /** A part of a room; where it is given, a rectangle off a wall. */
  zone: row({
    roomId: reference(),
    name: label(),
    wallId: reference().nullable(),
    fromMm: distance().nullable(),
    widthMm: size(),
    depthMm: size(),
  }),
  need: row({
    roomId: reference(),
    zoneId: reference().nullable(),
    name: label(),
    importance: choice(importances),
    who: line(120),
  }),
  ruling: row({ rule: choice(ruleIds), value: real(-100_000, 100_000) }),
  school: row({ question: choice(questionIds), school: label(60) }),
  constraint: row({
    roomId: reference().nullable(),
    reason: choice(constraintReasons),
    forbids: choice(forbiddable),
    note: line(500),
  }),
  /** A picture or clipping: what is liked in it, and the materials, hues and words it speaks with, separated by commas. */
  inspiration: row({ name: label(), liked: line(500), materials: line(300), hues: line(300), words: line(300) }),
  category: row({ name: label(60), place: count(0, 1000) }),
  /** A version of the agreed budget: a draft until it is signed, then fixed. The first has no reason; a change has one. */
  agreement: row({
    number: count(1, 1000),
    contingencyMinor: money(),
    signedById: reference().nullable(),
    signedOn: date().nullable(),
    reason: line(500),
    /** The brief as it was signed, with the rules it was reckoned by, as JSON; empty in a draft. */
    kept: line(200_000),
  }),
  agreementLine: row({ agreementId: reference(), categoryId: reference(), amountMinor: money() }),
  piece: row({
    roomId: reference(),
    zoneId: reference().nullable(),
    /** Null only for what costs nothing. */
    categoryId: reference().nullable(),
    name: label(),
    quantity: quantity(),
    /** What is counted: "pieces", "m", "rolls". */
    unit: label(20),
    allowanceMinor: money(),
    chosenId: reference().nullable(),
    chosenReason: line(500),
    /** Pieces of one set bear its name and stay together; empty for none. */
    setName: line(60),
    /** The room it may take, in mm. */
    widthMm: size(),
    depthMm: size(),
    heightMm: size(),
    /** It is meant to disappear before its wall. */
    hides: flag(),
    /** The wall it stands before or hangs on, and how high its lower edge is. */
    wallId: reference().nullable(),
    aboveMm: distance(20_000),
  }),
  serving: row({ needId: reference(), pieceId: reference() }),
  candidate: row({
    pieceId: reference(),
    sellerId: reference().nullable(),
    source: choice(sources),
    name: label(),
    article: line(80),
    link: line(300),
    colourName: line(80),
    batch: line(60),
    condition: line(200),
    /** Where it comes from, for what is not bought: whose, or from which room. */
    origin: line(200),
    keepReason: choice(keepReasons).nullable(),
    /** When it goes back, for what is lent or rented. */
    goBackOn: date().nullable(),
    /** What is missing where it stood. */
    hole: line(200),
    /** When to look at a placeholder again. */
    lookAgainOn: date().nullable(),
    ...terms,
    priceKind: choice(priceKinds),
    pricedOn: date().nullable(),
    ...maybeLab,
    widthMm: size(),
    depthMm: size(),
    heightMm: size(),
    lifeYears: real(0.1, 200).nullable(),
    methods: several(methods),
    qualities: several(qualities),
    /** Why it was turned down; null while it is in the running. */
    turnedDown: line(500).nullable(),
  }),
  /** A further colour of a candidate: a rug or a cloth may hold several. */
  candidateColour: row({ candidateId: reference(), ...lab }),
  price: row({
    candidateId: reference(),
    kind: choice(priceKinds),
    amountMinor: money(),
    seenOn: date(),
    note: line(200),
  }),
  /** Another thing taken than was planned: both stay on record with what they cost at the time. */
  substitution: row({
    pieceId: reference(),
    fromId: reference(),
    toId: reference(),
    fromLandedMinor: money(),
    toLandedMinor: money(),
    reason: label(500),
    agreedById: reference().nullable(),
    madeOn: date(),
  }),
  /** Something a client has to answer. */
  question: row({
    pieceId: reference().nullable(),
    candidateId: reference().nullable(),
    ask: label(300),
    askedOn: date(),
    neededBy: date().nullable(),
    answer: choice(answers),
    answerNote: line(500),
    answeredById: reference().nullable(),
    answeredOn: date().nullable(),
  }),
  /** Leave asked of an owner for something forbidden, and how it is put back. */
  permission: row({
    method: choice(forbiddable),
    ask: label(300),
    askedOf: line(120),
    askedOn: date(),
    answer: choice(answers),
    answeredOn: date().nullable(),
    restore: line(500),
    restorePieceId: reference().nullable(),
  }),
  scopeChoice: row({ roomId: reference(), name: label() }),
  scopeOption: row({
    choiceId: reference(),
    way: choice(ways),
    name: label(),
    costMinor: money(),
    days: count(0, 1000),
    lifeYears: real(0.1, 200).nullable(),
    methods: several(methods),
    chosen: flag(),
    pieceId: reference().nullable(),
  }),
  finish: row({
    roomId: reference(),
    zoneId: reference().nullable(),
    name: label(),
    role: choice(roles),
    /** Its place among the finishes of its role, in the tray. */
    place: real(0, 1_000_000),
    family: choice(families),
    texture: choice(textures),
    sheen: choice(sheens),
    ...lab,
    colourSource: choice(colourSources),
    surface: choice(surfaces),
    /** The piece that carries it. */
    pieceId: reference().nullable(),
    /** Where in the room it is: "walls", "seat". */
    usedFor: line(120),
    /** Visible area judged by eye, in m²; null while nobody has judged it. */
    visibleM2: real(0.01, 10_000).nullable(),
    pattern: choice(patterns),
    patternScale: choice(scales).nullable(),
    /** How far its pattern goes until it repeats; null where nobody measured it, and its scale is all that is known. */
    repeatMm: size(),
    /** What it stands up to; empty where nobody said. */
    suits: several(uses),
    /** It is meant to disappear before what it stands on. */
    hides: flag(),
    methods: several(methods),
    qualities: several(qualities),
    /** What becomes of it, where it is there already; null for a new one. */
    fate: choice(fates).nullable(),
    condition: choice(conditions).nullable(),
    material: choice(materials).nullable(),
    laidYear: count(1000, 2200).nullable(),
    /** The one wall it is on; null for all of its surface. */
    wallId: reference().nullable(),
    /** The band of height it covers; null for from the floor, and to the ceiling. */
    bandFromMm: distance(20_000).nullable(),
    bandToMm: size(),
  }),
  /** A palette colour that a patterned finish carries, by its share of the pattern. */
  patternPart: row({ finishId: reference(), partId: reference(), sharePpm: rate() }),
  sample: row({
    finishId: reference(),
    orderedOn: date().nullable(),
    cameOn: date().nullable(),
    verdict: choice(verdicts),
    judgedBy: line(60),
  }),
  /** A sample looked at: put up on which wall, by which light, and what was said by whom. */
  viewing: row({
    sampleId: reference(),
    wallId: reference().nullable(),
    light: choice(lights),
    seenOn: date().nullable(),
    verdict: choice(verdicts),
    judgedBy: line(60),
    note: line(300),
  }),
  coupon: row({
    sellerId: reference(),
    name: label(),
    gives: choice(couponGives),
    ratePpm: rate(),
    amountMinor: money(),
    base: choice(couponBases),
    minimumMinor: money(),
    endsOn: date().nullable(),
    conditions: line(500),
  }),
  /** Gift cards and credit notes: what is held with a seller. A credit note begins empty and is filled by refunds. */
  credit: row({
    sellerId: reference(),
    kind: choice(creditKinds),
    number: line(60),
    faceMinor: money(),
    gotOn: date(),
    expiresOn: date().nullable(),
  }),
  order: row({
    sellerId: reference().nullable(),
    orderedOn: date(),
    reference: line(60),
    boughtBy: choice(buyers),
    /** What the seller asks at once. */
    depositMinor: money(),
    balanceDueOn: date().nullable(),
    taxRounding: choice(taxRoundings),
    couponId: reference().nullable(),
    note: line(500),
  }),
  purchase: row({
    orderId: reference(),
    pieceId: reference(),
    candidateId: reference(),
    packs: count(1, 100_000),
    couponMinor: money(),
    ...terms,
  }),
  delivery: row({
    purchaseId: reference(),
    packs: count(1, 100_000),
    receivedOn: date(),
    damagedPacks: count(0, 100_000),
    note: line(500),
  }),
  /** Put in its place; kept once the tags are off. */
  placing: row({ purchaseId: reference(), placedOn: date(), tagsOffOn: date().nullable() }),
  /** Goods that will not come. The credit is what the order's price falls by; what is kept, the seller holds back. */
  cancellation: row({
    purchaseId: reference(),
    packs: count(1, 100_000),
    cancelledOn: date(),
    reason: label(500),
    creditMinor: money(),
    keptMinor: money(),
    wantedAgain: flag(),
  }),
  /** Goods going back. The credit is what the purchase's price falls by once the seller accepts them. */
  return: row({
    purchaseId: reference(),
    packs: count(1, 100_000),
    sentOn: date(),
    reason: label(500),
    creditMinor: money(),
    /** What the seller keeps for taking it back. */
    restockingMinor: money(),
    settles: choice(settlements),
    acceptedOn: date().nullable(),
    wantedAgain: flag(),
  }),
  /** Money asked of a seller while the goods stay: for damage, or a price seen lower within its window. */
  claim: row({
    purchaseId: reference(),
    about: choice(claimReasons),
    note: line(500),
    askedMinor: money(1),
    madeOn: date(),
    answer: choice(answers),
    grantedMinor: money(),
    answeredOn: date().nullable(),
  }),
  payment: row({
    orderId: reference(),
    direction: choice(['out', 'back']),
    amountMinor: money(1),
    paidOn: date(),
    tender: choice(tenders),
    /** The gift card or credit note it was paid with, or put back on. */
    creditId: reference().nullable(),
    /** The payment that this one takes back because it was entered wrongly. */
    reversesId: reference().nullable(),
  }),
  /** A file kept by its content, hung on what it belongs to. */
  attachment: row({
    sha256: digest(),
    mediaType: choice(mediaTypes),
    bytes: count(1, 10_485_760),
    name: label(200),
    addedOn: date(),
    orderId: reference().nullable(),
    deliveryId: reference().nullable(),
    candidateId: reference().nullable(),
    inspirationId: reference().nullable(),
    finishId: reference().nullable(),
    roomId: reference().nullable(),
  }),
  /** A remark accepted as it stands: it comes back when its numbers are no longer those of the fingerprint. */
  acceptance: row({ remarkKey: label(300), fingerprint: line(1000), reason: label(500), acceptedOn: date() }),
}

export type Kind = keyof typeof schemas
export type Fields<K extends Kind> = InferType<(typeof schemas)[K]>
export type Row<K extends Kind> = Readonly<Fields<K>> & { readonly id: string; readonly version: string }

export const kindNames = Object.keys(schemas) as readonly Kind[]
export const isKind = (value: unknown): value is Kind => typeof value === 'string' && Object.hasOwn(schemas, value)

export const studioKinds = ['studio', 'seller', 'studioRuling', 'studioSchool'] as const satisfies readonly Kind[]
export type StudioKind = (typeof studioKinds)[number]
export type MakeoverKind = Exclude<Kind, StudioKind>
export const isStudioKind = (kind: Kind): kind is StudioKind => studioKinds.some((studioKind) => studioKind === kind)
export const makeoverKinds = kindNames.filter((kind): kind is MakeoverKind => !isStudioKind(kind))

/** Which fields point at which kind. The tables have the same as foreign keys. */
export const references: { readonly [K in Kind]?: { readonly [F in keyof Fields<K> & string]?: Kind } } = {
  survey: { roomId: 'room' },
  wall: { roomId: 'room' },
  slope: { wallId: 'wall' },
  diagonal: { fromId: 'wall', toId: 'wall' },
  opening: { wallId: 'wall', sharesId: 'opening' },
  fixture: { wallId: 'wall' },
  zone: { roomId: 'room', wallId: 'wall' },
  need: { roomId: 'room', zoneId: 'zone' },
  constraint: { roomId: 'room' },
  agreement: { signedById: 'client' },
  agreementLine: { agreementId: 'agreement', categoryId: 'category' },
  piece: { roomId: 'room', zoneId: 'zone', categoryId: 'category', chosenId: 'candidate', wallId: 'wall' },
  serving: { needId: 'need', pieceId: 'piece' },
  candidate: { pieceId: 'piece', sellerId: 'seller' },
  candidateColour: { candidateId: 'candidate' },
  price: { candidateId: 'candidate' },
  substitution: { pieceId: 'piece', fromId: 'candidate', toId: 'candidate', agreedById: 'client' },
  question: { pieceId: 'piece', candidateId: 'candidate', answeredById: 'client' },
  permission: { restorePieceId: 'piece' },
  scopeChoice: { roomId: 'room' },
  scopeOption: { choiceId: 'scopeChoice', pieceId: 'piece' },
  finish: { roomId: 'room', zoneId: 'zone', pieceId: 'piece', wallId: 'wall' },
  patternPart: { finishId: 'finish', partId: 'finish' },
  sample: { finishId: 'finish' },
  viewing: { sampleId: 'sample', wallId: 'wall' },
  coupon: { sellerId: 'seller' },
  credit: { sellerId: 'seller' },
  order: { sellerId: 'seller', couponId: 'coupon' },
  purchase: { orderId: 'order', pieceId: 'piece', candidateId: 'candidate' },
  delivery: { purchaseId: 'purchase' },
  placing: { purchaseId: 'purchase' },
  cancellation: { purchaseId: 'purchase' },
  return: { purchaseId: 'purchase' },
  claim: { purchaseId: 'purchase' },
  payment: { orderId: 'order', creditId: 'credit', reversesId: 'payment' },
  attachment: {
    orderId: 'order',
    deliveryId: 'delivery',
    candidateId: 'candidate',
    inspirationId: 'inspiration',
    finishId: 'finish',
    roomId: 'room',
  },
}

/** Kinds that hold what is personal: the diary of changes names their fields but never keeps their values. */
export const personalKinds: ReadonlySet<Kind> = new Set(['client'])

/** What a person calls a row of this kind. */
export const spoken: { readonly [K in Kind]: string } = {
  studio: 'studio',
  seller: 'seller',
  studioRuling: 'rule of the studio',
  studioSchool: 'school of the studio',
  makeover: 'makeover',
  client: 'client',
  room: 'room',
  survey: 'survey',
  wall: 'wall',
  slope: 'slope of the ceiling',
  diagonal: 'check measure',
  opening: 'opening',
  fixture: 'fixed thing',
  passage: 'stage of the way in',
  zone: 'zone',
  need: 'need',
  ruling: 'rule',
  school: 'school',
  constraint: 'constraint',
  inspiration: 'clipping',
  category: 'category',
  agreement: 'agreed budget',
  agreementLine: 'sum for a category',
  piece: 'piece',
  serving: 'need served',
  candidate: 'candidate',
  candidateColour: 'further colour',
  price: 'price',
  substitution: 'substitution',
  question: 'question',
  permission: 'permission',
  scopeChoice: 'choice of scope',
  scopeOption: 'way of doing it',
  finish: 'finish',
  patternPart: 'part of a pattern',
  sample: 'sample',
  viewing: 'look at a sample',
  coupon: 'coupon',
  credit: 'held credit',
  order: 'order',
  purchase: 'line of an order',
  delivery: 'delivery',
  placing: 'placing',
  cancellation: 'cancellation',
  return: 'return',
  claim: 'claim',
  payment: 'payment',
  attachment: 'file',
  acceptance: 'accepted remark',
}

/** “a room”, “an order”. */
export const aSpoken = (kind: Kind): string => `${/^[aeiou]/.test(spoken[kind]) ? 'an' : 'a'} ${spoken[kind]}`
