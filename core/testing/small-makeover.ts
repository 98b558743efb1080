/** A makeover small enough to reckon with a pencil, for tests and benches. */
import { blank, plainTerms, termsOf } from '../makeover/blank.ts'
import { add, apply, type Documents, type Fault, type Operation } from '../makeover/change.ts'
import { emptyMakeover, emptyStudio } from '../makeover/document.ts'
import type { Fields } from '../makeover/kinds.ts'
import { plainDate, type PlainDate } from '../measure/plain-date.ts'
import { minor } from '../money/minor.ts'
import { guard } from '../reckoning/guards.ts'

/** Ids that count up, in the shape of a UUID of version 7. */
export function countingIds(start = 1): () => string {
  let next = start
  return () => `01900000-0000-7000-8000-${(next++).toString(16).padStart(12, '0')}`
}

export const testToday = plainDate('2027-03-01')
export const agreedOn = plainDate('2027-01-10')

/** A studio and a makeover begun in it: a client, a room, categories with a signed budget. Sums in minor units. */
export function begin(
  newId: () => string,
  {
    currency = 'EUR',
    sums = { Furniture: 4_000_00, Textiles: 1_400_00 },
    contingency = 600_00,
    signed = true,
  }: { currency?: string; sums?: Record<string, number>; contingency?: number; signed?: boolean } = {},
) {
  const ids = {
    studio: newId(),
    makeover: newId(),
    client: newId(),
    room: newId(),
    seller: newId(),
    need: newId(),
    agreement: newId(),
  }
  const categories: Record<string, string> = {}
  const operations: Operation[] = [
    add('seller', ids.seller, { ...blank.seller, name: 'A seller' }),
    add('makeover', ids.makeover, {
      ...blank.makeover,
      name: 'A room',
      currency,
      units: 'metric',
      installOn: plainDate('2027-06-01'),
    }),
    add('client', ids.client, { name: 'A client' }),
    add('room', ids.room, { uses: '', name: 'A room' }),
    add('need', ids.need, { ...blank.need, roomId: ids.room, zoneId: null, name: 'Sit', importance: 'must', who: '' }),
    add('agreement', ids.agreement, {
      number: 1,
      contingencyMinor: minor(contingency),
      signedById: signed ? ids.client : null,
      signedOn: signed ? agreedOn : null,
      reason: '',
      kept: '',
    }),
  ]
  for (const [place, [name, amount]] of Object.entries(sums).entries()) {
    const id = (categories[name] = newId())
    operations.push(
      add('category', id, { name, place }),
      add('agreementLine', newId(), { agreementId: ids.agreement, categoryId: id, amountMinor: minor(amount) }),
    )
  }
  const start: Documents = {
    makeover: emptyMakeover(ids.makeover),
    studio: {
      ...emptyStudio(ids.studio),
      rows: {
        ...emptyStudio(ids.studio).rows,
        studio: { [ids.studio]: { id: ids.studio, version: ids.studio, name: 'A studio', timeZone: 'UTC' } },
      },
    },
  }
  return { ids, categories, operations, start }
}

export const terms = (fields: Partial<Fields<'candidate'>> = {}) => ({
  ...plainTerms,
  priceMinor: minor(100_00),
  taxPpm: 200_000,
  leadDays: 14,
  returnDays: 14,
  ...fields,
})

export const pieceOf = (
  roomId: string,
  categoryId: string,
  fields: Partial<Fields<'piece'>> = {},
): Fields<'piece'> => ({
  ...blank.piece,
  roomId,
  zoneId: null,
  categoryId,
  name: 'A piece',
  quantity: 1,
  unit: 'pieces',
  allowanceMinor: minor(0),
  chosenId: null,
  chosenReason: '',
  ...fields,
})

export const candidateOf = (
  pieceId: string,
  sellerId: string | null,
  fields: Partial<Fields<'candidate'>> = {},
): Fields<'candidate'> => ({
  ...blank.candidate,
  pieceId,
  sellerId,
  name: 'A candidate',
  ...(terms(fields) as ReturnType<typeof terms> & { adjustDays: number | null }),
  ...fields,
})

/** An order of one line; order and line bear one id. */
export function orderOf(
  id: string,
  candidateId: string,
  candidate: Fields<'candidate'>,
  packs: number,
  { orderedOn = plainDate('2027-02-01'), ...fields }: Partial<Fields<'order'>> = {},
): Operation[] {
  return [
    add('order', id, { ...blank.order, sellerId: candidate.sellerId, orderedOn, ...fields }),
    add('purchase', id, {
      ...blank.purchase,
      ...termsOf(candidate),
      orderId: id,
      pieceId: candidate.pieceId,
      candidateId,
      packs,
      couponMinor: minor(0),
    }),
  ]
}

let changes = 1_000_000
/** Makes a change as the door would, without a database: the documents after it, or what is wrong with it. */
export function tryChange(
  documents: Documents,
  operations: readonly Operation[],
  today: PlainDate = testToday,
): { documents: Documents; faults: readonly Fault[] } {
  const applied = apply(documents, operations, countingIds(changes++)())
  const faults = applied.faults.length > 0 ? applied.faults : guard(documents, applied.documents, today)
  return { documents: faults.length > 0 ? documents : applied.documents, faults }
}

/** A change that has to go through. */
export function change(
  documents: Documents,
  told: readonly (Operation | readonly Operation[])[],
  today?: PlainDate,
): Documents {
  const tried = tryChange(documents, told.flat(), today)
  if (tried.faults.length > 0) throw new Error(JSON.stringify(tried.faults))
  return tried.documents
}
