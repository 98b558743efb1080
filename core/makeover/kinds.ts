/**
 * The kinds of row that the two documents hold. A kind is one schema here, one table in the server (a test holds
 * them together) and the guards of its step; the door for changes knows no kind by name.
 *
 * Order matters: a kind stands after the kinds it refers to, so that rows are written parents first.
 */
import { object, type InferType } from 'yup'
import { currencyCodes } from '../money/currencies.ts'
import { choice, count, date, flag, label, line, money, quantity, rate, real, reference, timeZone } from './fields.ts'

export const importances = ['must', 'should', 'nice'] as const
export const roles = ['dominant', 'secondary', 'accent'] as const
export const families = ['paint', 'wood', 'metal', 'textile', 'leather', 'stone', 'ceramic', 'glass', 'paper', 'greenery'] as const
export const sheens = ['matt', 'eggshell', 'satin', 'gloss'] as const
export const colourSources = ['hex', 'lab', 'measured', 'maker'] as const
export const unitSystems = ['metric', 'feet and inches'] as const
export const tenders = ['card', 'transfer', 'cash', 'cheque', 'other'] as const

export type Role = (typeof roles)[number]
export type Family = (typeof families)[number]
export type Sheen = (typeof sheens)[number]

/** The terms a seller asks: kept on a candidate, and copied on a purchase, so that a later price never rewrites an order. */
const terms = {
  priceMinor: money(),
  packSize: quantity(),
  discountPpm: rate(),
  deliveryMinor: money(),
  taxPpm: rate(),
  taxIncluded: flag(),
  deliveryTaxed: flag(),
  leadDays: count(0, 1000),
  /** Days to return, counted from the goods' arrival; null is a final sale. */
  returnDays: count(0, 1000).nullable(),
}

const row = <T extends Parameters<typeof object>[0]>(fields: T) => object(fields as NonNullable<T>).strict().noUnknown(({ unknown }) => `has fields that are not known: ${unknown}`)

export const schemas = {
  studio: row({ name: label(), timeZone: timeZone() }),
  seller: row({ name: label() }),

  makeover: row({ name: label(), currency: choice(currencyCodes), units: choice(unitSystems), installOn: date().nullable() }),
  client: row({ name: label() }),
  room: row({ name: label() }),
  zone: row({ roomId: reference(), name: label() }),
  need: row({ roomId: reference(), zoneId: reference().nullable(), name: label(), importance: choice(importances) }),
  category: row({ name: label(60), place: count(0, 1000) }),
  /** A version of the agreed budget: a draft until it is signed, then fixed. The first has no reason; a change has one. */
  agreement: row({ number: count(1, 1000), contingencyMinor: money(), signedById: reference().nullable(), signedOn: date().nullable(), reason: line(500) }),
  agreementLine: row({ agreementId: reference(), categoryId: reference(), amountMinor: money() }),
  finish: row({
    roomId: reference(),
    name: label(),
    role: choice(roles),
    family: choice(families),
    sheen: choice(sheens),
    labL: real(0, 100),
    labA: real(-128, 128),
    labB: real(-128, 128),
    colourSource: choice(colourSources),
    /** Where in the room it is: "walls", "seat". */
    usedFor: line(120),
    /** Visible area judged by eye, in m²; null while nobody has judged it. */
    visibleM2: real(0.01, 10_000).nullable(),
  }),
  piece: row({
    roomId: reference(),
    zoneId: reference().nullable(),
    needId: reference().nullable(),
    categoryId: reference(),
    name: label(),
    quantity: quantity(),
    /** What is counted: "pieces", "m", "rolls". */
    unit: label(20),
    allowanceMinor: money(),
    chosenId: reference().nullable(),
    chosenReason: line(500),
  }),
  candidate: row({
    pieceId: reference(),
    sellerId: reference(),
    name: label(),
    ...terms,
    labL: real(0, 100).nullable(),
    labA: real(-128, 128).nullable(),
    labB: real(-128, 128).nullable(),
  }),
  purchase: row({ pieceId: reference(), candidateId: reference(), packs: count(1, 100_000), orderedOn: date(), reference: line(60), ...terms }),
  delivery: row({ purchaseId: reference(), packs: count(1, 100_000), receivedOn: date() }),
  /** Goods going back. The credit is what the purchase's price falls by once the seller accepts them. */
  return: row({
    purchaseId: reference(),
    packs: count(1, 100_000),
    sentOn: date(),
    reason: label(500),
    creditMinor: money(),
    acceptedOn: date().nullable(),
    wantedAgain: flag(),
  }),
  payment: row({
    purchaseId: reference(),
    direction: choice(['out', 'back']),
    amountMinor: money(1),
    paidOn: date(),
    tender: choice(tenders),
    /** The payment that this one takes back because it was entered wrongly. */
    reversesId: reference().nullable(),
  }),
  /** A remark accepted as it stands: it comes back when its numbers are no longer those of the fingerprint. */
  acceptance: row({ remarkKey: label(300), fingerprint: line(1000), reason: label(500), acceptedOn: date() }),
}

export type Kind = keyof typeof schemas
export type Fields<K extends Kind> = InferType<(typeof schemas)[K]>
export type Row<K extends Kind> = Readonly<Fields<K>> & { readonly id: string; readonly version: string }

export const kindNames = Object.keys(schemas) as readonly Kind[]
export const isKind = (value: unknown): value is Kind => typeof value === 'string' && Object.hasOwn(schemas, value)

export type StudioKind = 'studio' | 'seller'
export type MakeoverKind = Exclude<Kind, StudioKind>
export const isStudioKind = (kind: Kind): kind is StudioKind => kind === 'studio' || kind === 'seller'
export const makeoverKinds = kindNames.filter((kind): kind is MakeoverKind => !isStudioKind(kind))

/** Which fields point at which kind. The tables have the same as foreign keys. */
export const references: { readonly [K in Kind]?: { readonly [F in keyof Fields<K> & string]?: Kind } } = {
  zone: { roomId: 'room' },
  need: { roomId: 'room', zoneId: 'zone' },
  agreement: { signedById: 'client' },
  agreementLine: { agreementId: 'agreement', categoryId: 'category' },
  finish: { roomId: 'room' },
  piece: { roomId: 'room', zoneId: 'zone', needId: 'need', categoryId: 'category', chosenId: 'candidate' },
  candidate: { pieceId: 'piece', sellerId: 'seller' },
  purchase: { pieceId: 'piece', candidateId: 'candidate' },
  delivery: { purchaseId: 'purchase' },
  return: { purchaseId: 'purchase' },
  payment: { purchaseId: 'purchase', reversesId: 'payment' },
}

/** Kinds that hold what is personal: the diary of changes names their fields but never keeps their values. */
export const personalKinds: ReadonlySet<Kind> = new Set(['client'])

/** What a person calls a row of this kind. */
export const spoken: { readonly [K in Kind]: string } = {
  studio: 'studio',
  seller: 'seller',
  makeover: 'makeover',
  client: 'client',
  room: 'room',
  zone: 'zone',
  need: 'need',
  category: 'category',
  agreement: 'agreed budget',
  agreementLine: 'sum for a category',
  finish: 'finish',
  piece: 'piece',
  candidate: 'candidate',
  purchase: 'order',
  delivery: 'delivery',
  return: 'return',
  payment: 'payment',
  acceptance: 'accepted remark',
}
