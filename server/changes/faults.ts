/** What the tables say when they refuse a change. */
import { fault, type Fault } from '#core/makeover/change.ts'

/** The tables refused what the core let through: two changes that met, or a row that others still need. */
export function databaseFault({ code, constraint }: { code: string; constraint: string }): Fault {
  const [, thing] = /^[a-z_]+?s_([a-z_]+)$/.exec(constraint) ?? []
  if (code === '23503')
    return fault(
      'reference',
      null,
      null,
      null,
      `something else changed at the same moment and no longer fits this (${thing ?? constraint}): look again, then repeat it`,
    )
  if (code === '23505')
    return fault(
      'twice',
      null,
      null,
      null,
      `the same thing was entered at the same moment by someone else (${constraint}): look again`,
    )
  return fault('invalid', null, null, null, `the database refused a value (${constraint})`)
}
