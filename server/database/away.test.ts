/** Which errors say that the database is away: SQLSTATE classes after PostgreSQL's manual, appendix A; errno after POSIX. */
import pg from 'pg'
import { expect, it } from 'vitest'
import { isDatabaseAway } from './connection.ts'

const withCode = (error: Error, code: string): Error => Object.assign(error, { code })
const answered = (code: string): Error => withCode(new pg.DatabaseError('said', 4, 'error'), code)

it.each([
  answered('08006'), // connection_failure
  answered('08P01'), // protocol_violation
  answered('57P01'), // admin_shutdown
  answered('57P03'), // cannot_connect_now
  answered('53300'), // too_many_connections
  withCode(new Error('connect'), 'ECONNREFUSED'),
  withCode(new Error('read'), 'ECONNRESET'),
  withCode(new Error('write'), 'EPIPE'),
  withCode(new Error('connect'), 'ETIMEDOUT'),
  new Error('Connection terminated unexpectedly'), // and the rest as the driver words it
  new Error('timeout exceeded when trying to connect'),
  new Error('Failed query: select', { cause: withCode(new Error('read'), 'ECONNRESET') }),
])('is away: %s', (error) => expect(isDatabaseAway(error)).toBe(true))

it.each([
  answered('23505'), // unique_violation
  answered('40001'), // serialization_failure
  answered('42501'), // insufficient_privilege
  withCode(new Error('no such file'), 'ENOENT'),
  new TypeError('undefined is not a function'),
  'a text',
  null,
])('is there: %s', (error) => expect(isDatabaseAway(error)).toBe(false))
