/** How a field of a row is kept, and what every table of rows has. */
import { bigint, customType, date, numeric, uuid } from 'drizzle-orm/pg-core'

export const bytea = customType<{ data: Buffer }>({ dataType: () => 'bytea' })
export const minor = (name: string) => bigint(name, { mode: 'number' })
export const day = (name: string) => date(name, { mode: 'string' })
export const quantity = (name: string) => numeric(name, { precision: 9, scale: 3, mode: 'number' })

/** What every row of the studio has. */
export const shared = () => ({
  studioId: uuid('studio_id').notNull(),
  id: uuid('id').notNull(),
  version: uuid('version').notNull(),
})
/** What every row of a makeover has. */
export const own = () => ({
  studioId: uuid('studio_id').notNull(),
  makeoverId: uuid('makeover_id').notNull(),
  id: uuid('id').notNull(),
  version: uuid('version').notNull(),
})
