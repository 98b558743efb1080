/** Who may come in: people of a studio, and their sessions. */
import {
  bigint,
  boolean,
  foreignKey,
  index,
  integer,
  pgTable,
  primaryKey,
  text,
  timestamp,
  unique,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core'
import type { Role } from '#core/people/index.ts'
import { bytea } from './columns.ts'
import { studios } from './rows.generated.ts'

export const people = pgTable(
  'people',
  {
    studioId: uuid('studio_id').notNull(),
    id: uuid('id').notNull(),
    name: text('name').notNull(),
    email: text('email').notNull(),
    /** Empty where nobody comes in with a password: somebody who was removed. */
    passwordHash: text('password_hash').notNull(),
    role: text('role').$type<Role>().notNull(),
    /** False for a looker-on who is shown no costs. */
    seesCosts: boolean('sees_costs').notNull(),
    /** They work here no more; what they did stays under their name. */
    removedAt: timestamp('removed_at', { withTimezone: true }),
    /** The shared secret of the second factor, in base32; null where there is none. */
    totpSecret: text('totp_secret'),
    /** It is asked for at the door: its first code was right. */
    totpOn: boolean('totp_on').notNull(),
    /** The time step of the last code that was taken: none is taken twice (RFC 6238, 5.2). */
    totpStep: bigint('totp_step', { mode: 'number' }).notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    unique('people_email_once').on(t.studioId, t.email),
    // before sign-in it is not known whose studio it is: people are found by their email, and by their id
    index('people_email').on(t.email),
    index('people_id').on(t.id),
    foreignKey({ name: 'people_studio', columns: [t.studioId], foreignColumns: [studios.id] }),
  ],
)

/** Keys of devices that let their person in, by the id that the device knows them by. */
export const passkeys = pgTable(
  'passkeys',
  {
    studioId: uuid('studio_id').notNull(),
    personId: uuid('person_id').notNull(),
    id: text('id').notNull().unique('passkeys_id_once'),
    publicKey: bytea('public_key').notNull(),
    counter: bigint('counter', { mode: 'number' }).notNull(),
    name: text('name').notNull(),
    madeAt: timestamp('made_at', { withTimezone: true }).notNull(),
    lastUsedAt: timestamp('last_used_at', { withTimezone: true }),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    foreignKey({
      name: 'passkeys_person',
      columns: [t.studioId, t.personId],
      foreignColumns: [people.studioId, people.id],
    }),
  ],
)

/** What devices were asked and have not answered yet, by its SHA-256; each is answered once. It is nobody's, and lasts minutes. */
export const challenges = pgTable('challenges', {
  hash: text('hash').primaryKey(),
  expiresAt: timestamp('expires_at', { withTimezone: true }).notNull(),
})

/** How often something was tried, by the SHA-256 of what and by whom: it is nobody’s, and lasts a quarter of an hour. */
export const tries = pgTable('tries', {
  hash: text('hash').primaryKey(),
  count: integer('count').notNull(),
  endsAt: timestamp('ends_at', { withTimezone: true }).notNull(),
})

/** Codes that open once where the second factor is lost, known by their SHA-256. */
export const recoveryCodes = pgTable(
  'recovery_codes',
  {
    studioId: uuid('studio_id').notNull(),
    personId: uuid('person_id').notNull(),
    codeHash: text('code_hash').notNull(),
    usedAt: timestamp('used_at', { withTimezone: true }),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.personId, t.codeHash] }),
    foreignKey({
      name: 'recovery_codes_person',
      columns: [t.studioId, t.personId],
      foreignColumns: [people.studioId, people.id],
    }),
  ],
)

/**
 * What lets somebody in once without a password: an invitation, or a way to another password. Known by the SHA-256 of its token; the token
 * itself is only in the letter.
 */
export const tickets = pgTable(
  'tickets',
  {
    studioId: uuid('studio_id').notNull(),
    id: uuid('id').notNull(),
    opens: text('opens').$type<'invitation' | 'reset'>().notNull(),
    /** Whom it is written to. */
    email: text('email').notNull(),
    /** Whose password it sets; null for an invitation. */
    personId: uuid('person_id'),
    role: text('role').$type<Role>().notNull(),
    seesCosts: boolean('sees_costs').notNull(),
    tokenHash: text('token_hash').notNull(),
    /** Who wrote it; null where somebody at the door asked for it. */
    madeBy: uuid('made_by'),
    madeAt: timestamp('made_at', { withTimezone: true }).notNull(),
    expiresAt: timestamp('expires_at', { withTimezone: true }).notNull(),
    usedAt: timestamp('used_at', { withTimezone: true }),
    revokedAt: timestamp('revoked_at', { withTimezone: true }),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    uniqueIndex('tickets_token').on(t.tokenHash),
    index('tickets_person').on(t.studioId, t.personId),
    index('tickets_email').on(t.email),
    foreignKey({ name: 'tickets_studio', columns: [t.studioId], foreignColumns: [studios.id] }),
  ],
)

/** A session is known by the SHA-256 of its token; the token itself is only in the cookie. */
export const sessions = pgTable(
  'sessions',
  {
    tokenHash: text('token_hash').primaryKey(),
    studioId: uuid('studio_id').notNull(),
    personId: uuid('person_id').notNull(),
    expiresAt: timestamp('expires_at', { withTimezone: true }).notNull(),
    /** By which it is spoken of: the hash of its token goes to nobody. */
    id: uuid('id').notNull().unique('sessions_id_once'),
    openedAt: timestamp('opened_at', { withTimezone: true }).notNull(),
    /** The browser, in a few words. */
    browser: text('browser').notNull(),
  },
  (t) => [
    index('sessions_of_person').on(t.personId),
    index('sessions_expire').on(t.expiresAt),
    foreignKey({
      name: 'sessions_person',
      columns: [t.studioId, t.personId],
      foreignColumns: [people.studioId, people.id],
    }),
  ],
)

/** What was done that an owner may be asked about; the application only adds to it. */
export const deeds = pgTable(
  'deeds',
  {
    studioId: uuid('studio_id').notNull(),
    id: uuid('id').notNull(),
    at: timestamp('at', { withTimezone: true }).notNull(),
    personId: uuid('person_id').notNull(),
    what: text('what').notNull(),
    /** It may be gone since. */
    makeoverId: uuid('makeover_id'),
    /** To whom it was done, where it was done to somebody. */
    toPersonId: uuid('to_person_id'),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index('deeds_at').on(t.studioId, t.at),
    foreignKey({
      name: 'deeds_person',
      columns: [t.studioId, t.personId],
      foreignColumns: [people.studioId, people.id],
    }),
  ],
)
