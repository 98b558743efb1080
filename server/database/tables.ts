/**
 * The tables, one for each kind of row, and those of accounts and of the diary. Every row carries its studio, and
 * keys are composite with it, so that no reference can lead into another studio. Row-level security, grants and the
 * one deferrable key are hand-written SQL in the migrations.
 */
import { getTableName, sql } from 'drizzle-orm'
import { type AnyPgColumn, bigint, boolean, check, date, doublePrecision, foreignKey, index, integer, jsonb, numeric, pgTable, primaryKey, text, timestamp, unique, uniqueIndex, uuid } from 'drizzle-orm/pg-core'
import type { Kind } from '#core/makeover/kinds.ts'

const minor = (name: string) => bigint(name, { mode: 'number' })
const day = (name: string) => date(name, { mode: 'string' })
const quantity = (name: string) => numeric(name, { precision: 9, scale: 3, mode: 'number' })

export const studios = pgTable('studios', {
  studioId: uuid('studio_id').notNull(),
  id: uuid('id').notNull(),
  version: uuid('version').notNull(),
  name: text('name').notNull(),
  timeZone: text('time_zone').notNull(),
}, (t) => [primaryKey({ columns: [t.studioId, t.id] }), unique('studios_id_once').on(t.id), check('studios_is_itself', sql`${t.studioId} = ${t.id}`)])

export const sellers = pgTable('sellers', {
  studioId: uuid('studio_id').notNull(),
  id: uuid('id').notNull(),
  version: uuid('version').notNull(),
  name: text('name').notNull(),
}, (t) => [primaryKey({ columns: [t.studioId, t.id] })])

/** A document is a makeover or a studio: the row whose lock a change takes, and its count of changes. */
export const documents = pgTable('documents', {
  studioId: uuid('studio_id').notNull(),
  id: uuid('id').notNull(),
  rev: integer('rev').notNull(),
}, (t) => [primaryKey({ columns: [t.studioId, t.id] }), check('documents_rev', sql`${t.rev} >= 0`)])

/** What every row of a makeover has. */
const own = () => ({
  studioId: uuid('studio_id').notNull(),
  makeoverId: uuid('makeover_id').notNull(),
  id: uuid('id').notNull(),
  version: uuid('version').notNull(),
})
type Columns = Record<'studioId' | 'makeoverId' | 'id', AnyPgColumn>
/** A reference within the makeover: its key has the studio and the makeover in it. */
const refers = (from: Columns, column: AnyPgColumn, to: Columns) =>
  foreignKey({
    name: `${getTableName(from.id.table)}_${column.name.replace(/_id$/, '')}`,
    columns: [from.studioId, from.makeoverId, column],
    foreignColumns: [to.studioId, to.makeoverId, to.id],
  })
const ownKey = (t: Columns) => primaryKey({ columns: [t.studioId, t.makeoverId, t.id] })

const terms = () => ({
  priceMinor: minor('price_minor').notNull(),
  packSize: quantity('pack_size').notNull(),
  discountPpm: integer('discount_ppm').notNull(),
  deliveryMinor: minor('delivery_minor').notNull(),
  taxPpm: integer('tax_ppm').notNull(),
  taxIncluded: boolean('tax_included').notNull(),
  deliveryTaxed: boolean('delivery_taxed').notNull(),
  leadDays: integer('lead_days').notNull(),
  returnDays: integer('return_days'),
})
const termChecks = (table: string) => [
  check(`${table}_terms`, sql.raw('price_minor >= 0 and delivery_minor >= 0 and pack_size > 0 and discount_ppm between 0 and 1000000 and tax_ppm between 0 and 1000000 and lead_days >= 0')),
]

export const makeovers = pgTable('makeovers', {
  ...own(),
  name: text('name').notNull(),
  currency: text('currency').notNull(),
  units: text('units').notNull(),
  installOn: day('install_on'),
}, (t) => [
  ownKey(t),
  check('makeovers_is_itself', sql`${t.makeoverId} = ${t.id}`),
  foreignKey({ name: 'makeovers_document', columns: [t.studioId, t.id], foreignColumns: [documents.studioId, documents.id] }),
])

/** The one table with what is personal about clients; everything else refers to it. */
export const clients = pgTable('clients', { ...own(), name: text('name').notNull() }, (t) => [ownKey(t)])

export const rooms = pgTable('rooms', { ...own(), name: text('name').notNull() }, (t) => [ownKey(t)])

export const zones = pgTable('zones', { ...own(), roomId: uuid('room_id').notNull(), name: text('name').notNull() }, (t) => [
  ownKey(t),
  refers(t, t.roomId, rooms),
])

export const needs = pgTable('needs', {
  ...own(),
  roomId: uuid('room_id').notNull(),
  zoneId: uuid('zone_id'),
  name: text('name').notNull(),
  importance: text('importance').notNull(),
}, (t) => [
  ownKey(t),
  refers(t, t.roomId, rooms),
  refers(t, t.zoneId, zones),
])

export const categories = pgTable('categories', { ...own(), name: text('name').notNull(), place: integer('place').notNull() }, (t) => [ownKey(t)])

export const agreements = pgTable('agreements', {
  ...own(),
  number: integer('number').notNull(),
  contingencyMinor: minor('contingency_minor').notNull(),
  signedById: uuid('signed_by_id'),
  signedOn: day('signed_on'),
  reason: text('reason').notNull(),
}, (t) => [
  ownKey(t),
  unique('agreements_number_once').on(t.studioId, t.makeoverId, t.number),
  check('agreements_sums', sql`${t.contingencyMinor} >= 0 and ${t.number} >= 1 and (${t.signedOn} is null) = (${t.signedById} is null)`),
  refers(t, t.signedById, clients),
])

export const agreementLines = pgTable('agreement_lines', {
  ...own(),
  agreementId: uuid('agreement_id').notNull(),
  categoryId: uuid('category_id').notNull(),
  amountMinor: minor('amount_minor').notNull(),
}, (t) => [
  ownKey(t),
  unique('agreement_lines_once').on(t.studioId, t.makeoverId, t.agreementId, t.categoryId),
  check('agreement_lines_amount', sql`${t.amountMinor} >= 0`),
  refers(t, t.agreementId, agreements),
  refers(t, t.categoryId, categories),
])

export const finishes = pgTable('finishes', {
  ...own(),
  roomId: uuid('room_id').notNull(),
  name: text('name').notNull(),
  role: text('role').notNull(),
  family: text('family').notNull(),
  sheen: text('sheen').notNull(),
  labL: doublePrecision('lab_l').notNull(),
  labA: doublePrecision('lab_a').notNull(),
  labB: doublePrecision('lab_b').notNull(),
  colourSource: text('colour_source').notNull(),
  usedFor: text('used_for').notNull(),
  visibleM2: doublePrecision('visible_m2'),
}, (t) => [
  ownKey(t),
  check('finishes_lab', sql`${t.labL} between 0 and 100 and ${t.labA} between -128 and 128 and ${t.labB} between -128 and 128`),
  refers(t, t.roomId, rooms),
])

export const pieces = pgTable('pieces', {
  ...own(),
  roomId: uuid('room_id').notNull(),
  zoneId: uuid('zone_id'),
  needId: uuid('need_id'),
  categoryId: uuid('category_id').notNull(),
  name: text('name').notNull(),
  quantity: quantity('quantity').notNull(),
  unit: text('unit').notNull(),
  allowanceMinor: minor('allowance_minor').notNull(),
  /** A candidate of this piece: a deferrable key, since each points at the other. */
  chosenId: uuid('chosen_id'),
  chosenReason: text('chosen_reason').notNull(),
}, (t) => [
  ownKey(t),
  check('pieces_amounts', sql`${t.quantity} > 0 and ${t.allowanceMinor} >= 0`),
  refers(t, t.roomId, rooms),
  refers(t, t.zoneId, zones),
  refers(t, t.needId, needs),
  refers(t, t.categoryId, categories),
])

export const candidates = pgTable('candidates', {
  ...own(),
  pieceId: uuid('piece_id').notNull(),
  sellerId: uuid('seller_id').notNull(),
  name: text('name').notNull(),
  ...terms(),
  labL: doublePrecision('lab_l'),
  labA: doublePrecision('lab_a'),
  labB: doublePrecision('lab_b'),
}, (t) => [
  ownKey(t),
  unique('candidates_of_piece').on(t.studioId, t.makeoverId, t.pieceId, t.id),
  ...termChecks('candidates'),
  refers(t, t.pieceId, pieces),
  foreignKey({ name: 'candidates_seller', columns: [t.studioId, t.sellerId], foreignColumns: [sellers.studioId, sellers.id] }),
])

export const purchases = pgTable('purchases', {
  ...own(),
  pieceId: uuid('piece_id').notNull(),
  candidateId: uuid('candidate_id').notNull(),
  packs: integer('packs').notNull(),
  orderedOn: day('ordered_on').notNull(),
  reference: text('reference').notNull(),
  ...terms(),
}, (t) => [
  ownKey(t),
  ...termChecks('purchases'),
  check('purchases_packs', sql`${t.packs} > 0`),
  foreignKey({ name: 'purchases_candidate', columns: [t.studioId, t.makeoverId, t.pieceId, t.candidateId], foreignColumns: [candidates.studioId, candidates.makeoverId, candidates.pieceId, candidates.id] }),
])



export const deliveries = pgTable('deliveries', {
  ...own(),
  purchaseId: uuid('purchase_id').notNull(),
  packs: integer('packs').notNull(),
  receivedOn: day('received_on').notNull(),
}, (t) => [ownKey(t), refers(t, t.purchaseId, purchases), check('deliveries_packs', sql`${t.packs} > 0`)])

export const returns = pgTable('returns', {
  ...own(),
  purchaseId: uuid('purchase_id').notNull(),
  packs: integer('packs').notNull(),
  sentOn: day('sent_on').notNull(),
  reason: text('reason').notNull(),
  creditMinor: minor('credit_minor').notNull(),
  acceptedOn: day('accepted_on'),
  wantedAgain: boolean('wanted_again').notNull(),
}, (t) => [ownKey(t), refers(t, t.purchaseId, purchases), check('returns_amounts', sql`${t.packs} > 0 and ${t.creditMinor} >= 0`)])

export const payments = pgTable('payments', {
  ...own(),
  purchaseId: uuid('purchase_id').notNull(),
  direction: text('direction').notNull(),
  amountMinor: minor('amount_minor').notNull(),
  paidOn: day('paid_on').notNull(),
  tender: text('tender').notNull(),
  reversesId: uuid('reverses_id'),
}, (t) => [
  ownKey(t),
  refers(t, t.purchaseId, purchases),
  check('payments_amount', sql`${t.amountMinor} > 0 and ${t.direction} in ('out', 'back')`),
  unique('payments_reversed_once').on(t.studioId, t.makeoverId, t.reversesId),
  refers(t, t.reversesId, t),
])

export const acceptances = pgTable('acceptances', {
  ...own(),
  remarkKey: text('remark_key').notNull(),
  fingerprint: text('fingerprint').notNull(),
  reason: text('reason').notNull(),
  acceptedOn: day('accepted_on').notNull(),
}, (t) => [ownKey(t)])

export const studioTables = { studio: studios, seller: sellers }
export const makeoverTables = {
  makeover: makeovers,
  client: clients,
  room: rooms,
  zone: zones,
  need: needs,
  category: categories,
  agreement: agreements,
  agreementLine: agreementLines,
  finish: finishes,
  piece: pieces,
  candidate: candidates,
  purchase: purchases,
  delivery: deliveries,
  return: returns,
  payment: payments,
  acceptance: acceptances,
}
export const tables = { ...studioTables, ...makeoverTables } satisfies Record<Kind, unknown>

/** The diary: every change set that was taken, and what it did to each row. */
export const changes = pgTable('changes', {
  studioId: uuid('studio_id').notNull(),
  id: uuid('id').notNull(),
  personId: uuid('person_id').notNull(),
  madeAt: timestamp('made_at', { withTimezone: true }).notNull().defaultNow(),
  sentence: text('sentence').notNull(),
  /** SHA-256 of what was sent, so that a repeated id with other content is noticed. */
  digest: text('digest').notNull(),
}, (t) => [primaryKey({ columns: [t.studioId, t.id] })])

export const changedDocuments = pgTable('changed_documents', {
  studioId: uuid('studio_id').notNull(),
  documentId: uuid('document_id').notNull(),
  rev: integer('rev').notNull(),
  changeId: uuid('change_id').notNull(),
}, (t) => [
  primaryKey({ columns: [t.studioId, t.documentId, t.rev] }),
  foreignKey({ name: 'changed_documents_change', columns: [t.studioId, t.changeId], foreignColumns: [changes.studioId, changes.id] }),
  foreignKey({ name: 'changed_documents_document', columns: [t.studioId, t.documentId], foreignColumns: [documents.studioId, documents.id] }),
  uniqueIndex('changed_documents_once').on(t.studioId, t.changeId, t.documentId),
])

export const changedRows = pgTable('changed_rows', {
  studioId: uuid('studio_id').notNull(),
  changeId: uuid('change_id').notNull(),
  place: integer('place').notNull(),
  kind: text('kind').notNull(),
  rowId: uuid('row_id').notNull(),
  operation: text('operation').notNull(),
  /** The fields that changed, before and after; null where the row is new or gone, and no values where they are personal. */
  before: jsonb('before'),
  after: jsonb('after'),
}, (t) => [
  primaryKey({ columns: [t.studioId, t.changeId, t.place] }),
  index('changed_rows_of_row').on(t.studioId, t.rowId),
  foreignKey({ name: 'changed_rows_change', columns: [t.studioId, t.changeId], foreignColumns: [changes.studioId, changes.id] }),
])

/** What the day page shows of a makeover, as of the day it was reckoned. */
export const summaries = pgTable('summaries', {
  studioId: uuid('studio_id').notNull(),
  makeoverId: uuid('makeover_id').notNull(),
  reckonedOn: day('reckoned_on').notNull(),
  summary: jsonb('summary').notNull(),
}, (t) => [primaryKey({ columns: [t.studioId, t.makeoverId] }), foreignKey({ name: 'summaries_document', columns: [t.studioId, t.makeoverId], foreignColumns: [documents.studioId, documents.id] })])

export const people = pgTable('people', {
  studioId: uuid('studio_id').notNull(),
  id: uuid('id').notNull(),
  name: text('name').notNull(),
  email: text('email').notNull(),
  passwordHash: text('password_hash').notNull(),
}, (t) => [
  primaryKey({ columns: [t.studioId, t.id] }),
  unique('people_email_once').on(t.email),
  foreignKey({ name: 'people_studio', columns: [t.studioId], foreignColumns: [studios.id] }),
])

/** A session is known by the SHA-256 of its token; the token itself is only in the cookie. */
export const sessions = pgTable('sessions', {
  tokenHash: text('token_hash').primaryKey(),
  studioId: uuid('studio_id').notNull(),
  personId: uuid('person_id').notNull(),
  expiresAt: timestamp('expires_at', { withTimezone: true }).notNull(),
}, (t) => [foreignKey({ name: 'sessions_person', columns: [t.studioId, t.personId], foreignColumns: [people.studioId, people.id] })])
