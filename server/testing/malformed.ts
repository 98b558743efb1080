import { setFlagsFromString } from 'node:v8'
import { runInNewContext } from 'node:vm'
import fc from 'fast-check'

/** Rubbish of every sort, and now and then something that is nearly right. */
const text = fc.oneof(
  fc.string({ unit: 'binary', maxLength: 40 }),
  fc.constantFrom(
    '',
    '../..',
    '%00',
    '%',
    '\u0000',
    "' or 1=1 --",
    '__proto__',
    'constructor',
    'NaN',
    '1e999',
    '-1',
    '٣',
    '😀',
    'x'.repeat(3000),
  ),
)
const leaf = fc.oneof(text, fc.integer(), fc.double(), fc.boolean(), fc.constant(null), fc.constant(undefined))
const rubbish = fc.letrec((tie) => ({
  any: fc.oneof(
    { depthSize: 'small' },
    leaf,
    fc.array(tie('any'), { maxLength: 4 }),
    fc.dictionary(
      fc.oneof(
        text,
        fc.constantFrom(
          'id',
          'operations',
          'email',
          'password',
          'name',
          'sentence',
          'schemaVersion',
          'window',
          'page',
          'undoes',
        ),
      ),
      tie('any'),
      { maxKeys: 6 },
    ),
  ),
})).any
const near = fc.record({
  id: fc.oneof(fc.constant('01900000-0000-7000-8000-000000000001'), leaf),
  schemaVersion: fc.oneof(fc.constantFrom(1, 2, 3, 4), leaf),
  sentence: leaf,
  operations: fc.array(
    fc.record({
      op: fc.oneof(fc.constantFrom('put', 'remove'), leaf),
      kind: fc.oneof(
        fc.constantFrom(
          'room',
          'payment',
          'client',
          'studio',
          'makeover',
          'agreement',
          'order',
          'purchase',
          'attachment',
          'wall',
          'diagonal',
          'opening',
          'survey',
        ),
        leaf,
      ),
      id: fc.oneof(fc.constant('01900000-0000-7000-8000-000000000002'), leaf),
      base: fc.oneof(fc.constant(null), fc.constant('01900000-0000-7000-8000-000000000003'), leaf),
      fields: fc.oneof(fc.dictionary(text, leaf, { maxKeys: 4 }), leaf),
    }),
    { maxLength: 3 },
  ),
  undoes: fc.option(leaf, { nil: undefined }),
})
const account = fc.record({ studioName: leaf, name: leaf, email: leaf, timeZone: leaf })
const body = fc.oneof(
  rubbish.map((value) => (JSON.stringify(value) as string | undefined) ?? ''),
  near.map((value) => JSON.stringify(value)),
  account.map((value) => JSON.stringify(value)),
  text,
  fc.uint8Array({ maxLength: 200 }).map((bytes) => Buffer.from(bytes)),
  fc.constantFrom('{"a":', '[[[[', '"\\ud800"', '{"__proto__":{"admin":true}}', '['.repeat(20_000)),
  fc.uint8Array({ maxLength: 120 }).map((bytes) => Buffer.concat([Buffer.from('PK\u0003\u0004'), Buffer.from(bytes)])),
  fc
    .uint8Array({ maxLength: 120 })
    .map((bytes) => Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.from(bytes)])),
)
/** A request with a body, a parameter, a query and headers of that sort. */
export const malformedRequest = fc.record({
  body,
  type: fc.constantFrom(
    'application/json',
    'application/json; charset=utf-16',
    'application/json; charset=nothing',
    'text/plain',
    'application/octet-stream',
    'multipart/form-data',
    'application/zip',
    '',
  ),
  parameter: fc.oneof({ weight: 1, arbitrary: fc.constant(null) }, { weight: 60, arbitrary: text }),
  query: fc.dictionary(
    fc.constantFrom('after', 'before', 'of', 'mine', 'history', 'as', 'version', 'x[]', '__proto__[x]'),
    text,
    { maxKeys: 3 },
  ),
  encoding: fc.constantFrom('', '', '', '', 'gzip', 'br', 'nothing'),
})

setFlagsFromString('--expose-gc')
const collect = runInNewContext('gc') as () => void
/** What is still held after all that can be let go was, in bytes. */
export const heldInMemory = (): number => {
  collect()
  const { heapUsed, external } = process.memoryUsage()
  return heapUsed + external
}

/** A path with something well formed for each of its parameters. */
export const filled = (path: string, id: string): string =>
  path
    .replace(':id', id)
    .replace(':rev', '1')
    .replace(':sha256', 'a'.repeat(64))
    .replace(':reader', 'client')
    .replace(':ending', 'csv')
