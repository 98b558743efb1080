/** Who may come in: people of a studio, and their sessions. */
import { foreignKey, index, pgTable, primaryKey, text, timestamp, unique, uuid } from 'drizzle-orm/pg-core'
import { studios } from './rows.generated.ts'

export const people = pgTable(
  'people',
  {
    studioId: uuid('studio_id').notNull(),
    id: uuid('id').notNull(),
    name: text('name').notNull(),
    email: text('email').notNull(),
    passwordHash: text('password_hash').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    unique('people_email_once').on(t.studioId, t.email),
    foreignKey({ name: 'people_studio', columns: [t.studioId], foreignColumns: [studios.id] }),
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
