/** The tables that hold no rows of a document: documents and their diary, files. */
import {
  check,
  foreignKey,
  index,
  integer,
  boolean,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core'
import { sql } from 'drizzle-orm'
import type { Words } from '#core/diary/index.ts'
import type { Summary } from '#core/reckoning/summary.ts'
import { bytea } from './columns.ts'

/** A document is a makeover or a studio: the row whose lock a change takes, and its count of changes. */
export const documents = pgTable(
  'documents',
  {
    studioId: uuid('studio_id').notNull(),
    id: uuid('id').notNull(),
    rev: integer('rev').notNull(),
    /** The change that made this rev: what was kept in memory under it is this document, and no other. */
    changeId: uuid('change_id'),
    /** Put away: nobody sees it any more, and thirty days later it is gone. */
    deletedAt: timestamp('deleted_at', { withTimezone: true }),
    deletedBy: uuid('deleted_by'),
    /** Done with: it is kept and can be looked at, and nothing in it changes until it is taken up again. */
    archivedAt: timestamp('archived_at', { withTimezone: true }),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    check('documents_rev', sql`${t.rev} >= 0`),
    // whoever clears up sees across studios, so a document is not found by its studio alone
    index('documents_id').on(t.id),
  ],
)

/**
 * What the day page shows of each makeover, as it was last reckoned: of the changes, the day and the rules that its
 * moment names. It can be reckoned again at any time.
 */
export const summaries = pgTable(
  'summaries',
  {
    studioId: uuid('studio_id').notNull(),
    makeoverId: uuid('makeover_id').notNull(),
    /** False: of what is shown to whoever sees no costs. */
    costs: boolean('costs').notNull(),
    moment: text('moment').notNull(),
    summary: jsonb('summary').$type<Summary>().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.makeoverId, t.costs] }),
    foreignKey({
      name: 'summaries_document',
      columns: [t.studioId, t.makeoverId],
      foreignColumns: [documents.studioId, documents.id],
    }),
  ],
)

/** Files by their content: one copy in a studio, however often it is hung on something. */
export const blobs = pgTable(
  'blobs',
  {
    studioId: uuid('studio_id').notNull(),
    sha256: text('sha256').notNull(),
    mediaType: text('media_type').notNull(),
    bytes: bytea('bytes').notNull(),
    /** A small WebP of it; null for a PDF, and for what was kept before there were any. */
    thumbnail: bytea('thumbnail'),
    addedAt: timestamp('added_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.sha256] })],
)

/**
 * The diary: every change set that was taken, and what it did to each row. It is written once and never rewritten; what
 * it says in words lies in `changeWords`.
 */
export const changes = pgTable(
  'changes',
  {
    studioId: uuid('studio_id').notNull(),
    id: uuid('id').notNull(),
    personId: uuid('person_id').notNull(),
    madeAt: timestamp('made_at', { withTimezone: true }).notNull().defaultNow(),
    /** SHA-256 of what was sent, so that a repeated id with other content is noticed. */
    digest: text('digest').notNull(),
    /** The change that this one takes back. */
    undoes: uuid('undoes'),
    /** Who made it elsewhere, where it came in with a file. */
    toldBy: text('told_by'),
    /** It is the bringing in of a file, and no work of its own. */
    bringsIn: boolean('brings_in').notNull().default(false),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.id] })],
)

export const changedDocuments = pgTable(
  'changed_documents',
  {
    studioId: uuid('studio_id').notNull(),
    documentId: uuid('document_id').notNull(),
    rev: integer('rev').notNull(),
    changeId: uuid('change_id').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.documentId, t.rev] }),
    foreignKey({
      name: 'changed_documents_change',
      columns: [t.studioId, t.changeId],
      foreignColumns: [changes.studioId, changes.id],
    }),
    foreignKey({
      name: 'changed_documents_document',
      columns: [t.studioId, t.documentId],
      foreignColumns: [documents.studioId, documents.id],
    }),
    uniqueIndex('changed_documents_once').on(t.studioId, t.changeId, t.documentId),
  ],
)

export const changedRows = pgTable(
  'changed_rows',
  {
    studioId: uuid('studio_id').notNull(),
    changeId: uuid('change_id').notNull(),
    place: integer('place').notNull(),
    kind: text('kind').notNull(),
    rowId: uuid('row_id').notNull(),
    operation: text('operation').notNull(),
    /** The fields that changed, before and after; null where the row is new or gone. Where a value is text, it lies in `changeWords`. */
    before: jsonb('before'),
    after: jsonb('after'),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.changeId, t.place] }),
    index('changed_rows_of_row').on(t.studioId, t.rowId),
    foreignKey({
      name: 'changed_rows_change',
      columns: [t.studioId, t.changeId],
      foreignColumns: [changes.studioId, changes.id],
    }),
  ],
)

/** What the diary says in words: the one place where what is personal in it lies, so that it can be erased. */
export const changeWords = pgTable(
  'change_words',
  {
    studioId: uuid('studio_id').notNull(),
    changeId: uuid('change_id').notNull(),
    sentence: text('sentence').notNull(),
    /** The texts of changed rows, by the place of the row, `before` or `after`, and the field; null where there are none. */
    words: jsonb('words').$type<Words>(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.changeId] }),
    foreignKey({
      name: 'change_words_change',
      columns: [t.studioId, t.changeId],
      foreignColumns: [changes.studioId, changes.id],
    }),
  ],
)

/** What was signed here: by whom it was typed, when, and the digest of what it said. What came with a file has none. */
export const signings = pgTable(
  'signings',
  {
    studioId: uuid('studio_id').notNull(),
    makeoverId: uuid('makeover_id').notNull(),
    agreementId: uuid('agreement_id').notNull(),
    changeId: uuid('change_id').notNull(),
    personId: uuid('person_id').notNull(),
    typedAt: timestamp('typed_at', { withTimezone: true }).notNull(),
    /** SHA-256 of what was signed, in hexadecimal: the sums, the day, the reason and the brief. */
    digest: text('digest').notNull(),
    /** When a name in it was erased: its digest is that of what is left. */
    erasedAt: timestamp('erased_at', { withTimezone: true }),
    /** Signed by the client on their own page: by which link, the name as typed, and from which address; null where somebody of the studio typed it. */
    linkId: uuid('link_id'),
    typedName: text('typed_name'),
    address: text('address'),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.makeoverId, t.agreementId] }),
    foreignKey({
      name: 'signings_change',
      columns: [t.studioId, t.changeId],
      foreignColumns: [changes.studioId, changes.id],
    }),
  ],
)

/** Which changes touched a row, or a row that points at it: what the diary of one thing is found by. */
export const mentions = pgTable(
  'mentions',
  {
    studioId: uuid('studio_id').notNull(),
    rowId: uuid('row_id').notNull(),
    changeId: uuid('change_id').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.rowId, t.changeId] }),
    foreignKey({
      name: 'mentions_change',
      columns: [t.studioId, t.changeId],
      foreignColumns: [changes.studioId, changes.id],
    }),
  ],
)

/** A large file on its way in, in the parts that have come so far: a line that breaks goes on where it broke. Gone after a day, or when it is whole. */
export const uploadParts = pgTable(
  'upload_parts',
  {
    studioId: uuid('studio_id').notNull(),
    /** What the sender calls the file: the SHA-256 of all of it. */
    uploadId: text('upload_id').notNull(),
    /** From which byte on. */
    at: integer('at').notNull(),
    bytes: bytea('bytes').notNull(),
    cameAt: timestamp('came_at', { withTimezone: true }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.uploadId, t.at] })],
)

/**
 * Links that open one thing of a makeover to who has no account: a calendar, a client's page. A link is known by the SHA-256 of its token;
 * the token itself is only in the link. Which client or hand it is for is said by an id, so that no name lies here.
 */
export const links = pgTable(
  'links',
  {
    studioId: uuid('studio_id').notNull(),
    id: uuid('id').notNull(),
    makeoverId: uuid('makeover_id').notNull(),
    opens: text('opens').$type<'calendar' | 'client'>().notNull(),
    /** The hand whose calendar it is, or the trade while nobody does it; the client whose page it is. Null for all of a calendar. */
    forWhom: text('for_whom'),
    tokenHash: text('token_hash').notNull(),
    /** A word that has to be said too, hashed as passwords are; null where none is asked. */
    wordHash: text('word_hash'),
    madeAt: timestamp('made_at', { withTimezone: true }).notNull(),
    madeBy: uuid('made_by').notNull(),
    expiresAt: timestamp('expires_at', { withTimezone: true }),
    revokedAt: timestamp('revoked_at', { withTimezone: true }),
    lastUsedAt: timestamp('last_used_at', { withTimezone: true }),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    uniqueIndex('links_token').on(t.tokenHash),
    index('links_makeover').on(t.makeoverId),
    foreignKey({
      name: 'links_document',
      columns: [t.studioId, t.makeoverId],
      foreignColumns: [documents.studioId, documents.id],
    }),
  ],
)

/**
 * The post, simulated: what would have been sent to whom, and what became of it. Nothing leaves the machine. What it says names nobody; the
 * token of a link in it goes with the letter once that is old.
 */
export const letters = pgTable(
  'letters',
  {
    studioId: uuid('studio_id').notNull(),
    id: uuid('id').notNull(),
    /** Null for a letter of the studio itself: an invitation, or a way to another password. */
    makeoverId: uuid('makeover_id'),
    /** Who it is for, by their id. */
    forWhom: text('for_whom').notNull(),
    subject: text('subject').notNull(),
    /** The address that it opens, with its token; null once it is old, or the link was taken back. */
    opens: text('opens'),
    state: text('state').$type<'sent' | 'held up' | 'lost'>().notNull(),
    writtenAt: timestamp('written_at', { withTimezone: true }).notNull(),
    arrivesAt: timestamp('arrives_at', { withTimezone: true }),
    linkId: uuid('link_id'),
    /** The invitation or the way to another password that it opens. */
    ticketId: uuid('ticket_id'),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.id] })],
)
