/** Change sets that wait in a browser, and files, are written by the version of their day; an older one is told in today’s words. */
import { blank } from './blank.ts'
import { lights, splitSeveral, type Surface } from './choices.ts'
import type { Row } from './kinds.ts'
import { isTreatable, layOn } from './lay.ts'

/** Every earlier version, and what brings its operations to the next. */
const steps: Readonly<Record<number, (operations: readonly unknown[]) => unknown[]>> = {
  1: fromVersionOne,
  2: fromVersionTwo,
  3: fromVersionThree,
  4: fromVersionFour,
  5: (operations) => filled('payment')(operations), // why it is more than was owed
  6: (operations) => filled('makeover', 'candidate')(operations), // where it is; what a seller was not asked
  7: (operations) => [...operations], // fees, the client's money, templates: new kinds of row alone
  8: (operations) => filled(...saidMore)(operations), // what kind of thing it is, how much, what it is made of, and more
  9: fromVersionNine,
  10: (operations) => filled('zone', 'opening')(operations), // what is done there; round ones; where things stand
  11: (operations) => [...operations], // the household: a new kind of row alone
  12: (operations) => [...operations], // where things hang, and how they are held: new kinds alone
  14: (operations) => filled('fixture', 'candidate')(operations), // what is wanted out of sight; the work of the calendar
  15: (operations) => filled('task', 'attachment', 'piece', 'candidate')(operations), // parts, dry weather, pictures of work; deliveries, snags; warranties
  13: (operations) => filled('wall', 'hanging')(operations), // what a wall is made of, what hangs as one; lamps, shelves
}
/** The kinds that got fields in version 9. */
const saidMore = [
  'seller',
  'makeover',
  'room',
  'opening',
  'need',
  'permission',
  'piece',
  'candidate',
  'finish',
  'credit',
  'purchase',
  'delivery',
  'return',
] as const

/** Operations of an earlier version in the form of `today`'s; null for a version that is not known. */
export function upgradeOperations(
  version: unknown,
  operations: readonly unknown[],
  today: number,
): readonly unknown[] | null {
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1 || version > today) return null
  let told = operations
  for (let at = version; at < today; at++) told = steps[at]?.(told) ?? told
  return told
}

/** What a new row of version 1 lacks is what a new row says while nobody has said more. */
const lacking: Readonly<Record<string, Readonly<Record<string, unknown>> | undefined>> = blank

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/**
 * Operations of version 1 in the form of version 2: new rows get the fields they lack; an order, then a row of its own,
 * gets the id of the purchase it was; a need served becomes a row.
 */
function fromVersionOne(operations: readonly unknown[]): unknown[] {
  return operations.flatMap((operation) => {
    if (
      !isRecord(operation) ||
      operation.op !== 'put' ||
      !isRecord(operation.fields) ||
      typeof operation.kind !== 'string'
    )
      return [operation]
    const { kind, id, base } = operation
    const { needId, purchaseId, orderedOn, reference, ...rest } = operation.fields
    const fields: Record<string, unknown> = base === null ? { ...lacking[kind], ...rest } : { ...rest }
    if (kind === 'payment' && purchaseId !== undefined) fields.orderId = purchaseId
    else if (purchaseId !== undefined) fields.purchaseId = purchaseId
    if (kind === 'purchase' && base === null) {
      const order = { ...blank.order, sellerId: null, orderedOn, reference }
      return [
        { op: 'put', kind: 'order', id, base, fields: order },
        { ...operation, fields: { ...fields, orderId: id } },
      ]
    }
    if (kind === 'piece' && typeof needId === 'string')
      return [
        { ...operation, fields },
        { op: 'put', kind: 'serving', id, base: null, fields: { needId, pieceId: id } },
      ]
    return [{ ...operation, fields }]
  })
}

/** Since version 3 a file may hang on a room. */
function fromVersionTwo(operations: readonly unknown[]): unknown[] {
  return operations.map((operation) =>
    isRecord(operation) &&
    operation.op === 'put' &&
    operation.kind === 'attachment' &&
    operation.base === null &&
    isRecord(operation.fields)
      ? { ...operation, fields: { ...blank.attachment, ...operation.fields } }
      : operation,
  )
}

/** Since version 4 a finish may be there already, a zone has a place, and a makeover says in which unit a bare number is. */
function fromVersionThree(operations: readonly unknown[]): unknown[] {
  const today = new Set(['makeover', 'zone', 'finish'])
  return operations.map((operation) => {
    if (
      !isRecord(operation) ||
      operation.op !== 'put' ||
      operation.base !== null ||
      typeof operation.kind !== 'string' ||
      !today.has(operation.kind) ||
      !isRecord(operation.fields)
    )
      return operation
    const entry =
      operation.kind === 'makeover' && operation.fields.units === 'feet and inches' ? { entryUnit: 'in' } : {}
    return { ...operation, fields: { ...lacking[operation.kind], ...entry, ...operation.fields } }
  })
}

/** Since version 5 each look at a sample is a row of its own, by its light; finishes and pieces say where they are. */
function fromVersionFour(operations: readonly unknown[]): unknown[] {
  return operations.flatMap((operation): unknown[] => {
    if (
      !isRecord(operation) ||
      operation.op !== 'put' ||
      !isRecord(operation.fields) ||
      typeof operation.kind !== 'string' ||
      typeof operation.id !== 'string'
    )
      return [operation]
    const { kind, id, base } = operation
    const { seenIn, ...rest } = operation.fields
    const lack = base === null && (kind === 'finish' || kind === 'piece') ? lacking[kind] : {}
    const put = { ...operation, fields: { ...lack, ...(kind === 'sample' ? rest : operation.fields) } }
    const seen = kind === 'sample' && typeof seenIn === 'string' ? splitSeveral(seenIn) : []
    return [
      put,
      ...seen.map((light) => ({
        op: 'put',
        kind: 'viewing',
        id: stepped(
          id,
          1 +
            Math.max(
              0,
              lights.findIndex((name) => name === light),
            ),
        ),
        base: null,
        fields: { ...blank.viewing, sampleId: id, light },
      })),
    ]
  })
}

const lay = ['surface', 'wallId', 'bandFromMm', 'bandToMm'] as const
/** Since version 10 treatments say where a finish lies: a finish that said so gets one with the same id. */
function fromVersionNine(operations: readonly unknown[]): unknown[] {
  return operations.flatMap((operation): unknown[] => {
    if (!isRecord(operation) || operation.kind !== 'finish' || typeof operation.id !== 'string') return [operation]
    const { id, base } = operation
    if (operation.op !== 'put' || !isRecord(operation.fields)) return [operation]
    const said = Object.entries(operation.fields).filter(([field]) => lay.some((name) => name === field))
    const rest = Object.fromEntries(
      Object.entries(operation.fields).filter(([field]) => !lay.some((name) => name === field)),
    )
    const put = { ...operation, fields: rest }
    const where = Object.fromEntries(said)
    if (base !== null) {
      const { surface, ...moved } = where
      const fields = surface === undefined || !isTreatable(surface as Surface) ? moved : where
      const changed = Object.keys(rest).length > 0 ? [put] : []
      return Object.keys(fields).length > 0
        ? [...changed, { op: 'put', kind: 'treatedPart', id, base, fields }]
        : changed
    }
    const { surface, ...place } = where
    if (typeof surface !== 'string' || !isTreatable(surface as Surface)) return [put]
    const { family, texture } = operation.fields as Pick<Row<'finish'>, 'family' | 'texture'>
    return [put, ...layOn(id, { id, family, texture }, { surface: surface as 'walls', ...place })]
  })
}

/** An id of its own beside another's, the same each time it is told: the last digit so many further on. */
const stepped = (id: string, by: number): string =>
  `${id.slice(0, -1)}${((Number.parseInt(id.slice(-1), 16) + by) % 16).toString(16)}`

/** New rows of some kinds say of later fields what a new row says while nobody has said more. */
const filled =
  (...kinds: readonly (keyof typeof blank)[]) =>
  (operations: readonly unknown[]): unknown[] =>
    operations.map((operation) => {
      const kind = isRecord(operation) ? kinds.find((name) => name === operation.kind) : undefined
      return isRecord(operation) &&
        kind !== undefined &&
        operation.op === 'put' &&
        operation.base === null &&
        isRecord(operation.fields)
        ? { ...operation, fields: { ...blank[kind], ...operation.fields } }
        : operation
    })
