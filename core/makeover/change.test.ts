import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { minor } from '../money/minor.ts'
import { begin, candidateOf, change, countingIds, pieceOf, testToday, tryChange } from '../testing/small-makeover.ts'
import { add, apply, edit, readChangeSet, remove, schemaVersion, validate } from './change.ts'
import { blank } from './blank.ts'
import { kindNames, references, schemas } from './kinds.ts'

const newId = countingIds()
const world = begin(newId)
const begun = change(world.start, world.operations)
const [piece, candidate] = [newId(), newId()]
const planned = change(begun, [
  add('piece', piece, pieceOf(world.ids.room, world.categories.Furniture ?? '')),
  add('candidate', candidate, candidateOf(piece, world.ids.seller)),
])
const whole = candidateOf(piece, world.ids.seller)

describe('a value from outside', () => {
  const bad: [string, unknown, RegExp][] = [
    ['priceMinor', -1, /below zero/],
    ['priceMinor', 12.5, /whole number of minor units/],
    ['priceMinor', '640,00', /whole number of minor units/],
    ['priceMinor', '1e3', /whole number of minor units/],
    ['priceMinor', Number.POSITIVE_INFINITY, /whole number of minor units/],
    ['priceMinor', Number.NaN, /whole number of minor units/],
    ['priceMinor', 1e15, /too large/],
    ['priceMinor', null, /missing/],
    ['packSize', 0, /more than 0/],
    ['packSize', -2, /more than 0/],
    ['packSize', 0.0001, /three decimals/],
    ['packSize', '2', /more than 0/],
    ['discountPpm', 1_000_001, /from 0 to 1000000/],
    ['leadDays', 1.5, /whole number/],
    ['taxIncluded', 'yes', /yes or no/],
    ['name', '', /is empty/],
    ['name', '   ', /is empty/],
    ['name', 'x'.repeat(300), /at most 120 characters, this has 300/],
    ['name', 'a\u0000b', /cannot be written/],
    ['name', '\ud800', /cannot be written/],
    ['name', 7, /expected text/],
    ['pieceId', 'somewhere', /expected an id/],
    ['labL', 101, /from 0 to 100/],
    ['unheardOf', 1, /not known/],
  ]
  it.each(bad)('%s of %o says what was expected', (field, value, message) => {
    const { wrong } = validate('candidate', candidate, { ...whole, [field]: value })
    expect(wrong).toHaveLength(1)
    expect(wrong[0]?.message).toMatch(message)
    if (field !== 'unheardOf') expect(wrong[0]?.field).toBe(field)
  })
  it('an emoji is text like any other in a name, and counted as one character', () => {
    expect(validate('candidate', candidate, { ...whole, name: '🎻'.repeat(120) }).wrong).toEqual([])
  })
  it('what is missing is said for every field at once', () => {
    expect(
      validate('candidate', candidate, {})
        .wrong.map((fault) => fault.field)
        .sort(),
    ).toEqual(Object.keys(schemas.candidate.fields).sort())
  })
  it('never throws, whatever it is', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...kindNames),
        fc.dictionary(fc.constantFrom('name', 'priceMinor', 'installOn', 'currency', 'x', '__proto__'), fc.anything()),
        (kind, fields) => {
          expect(Array.isArray(validate(kind, piece, fields).wrong)).toBe(true)
        },
      ),
    )
  })
})

describe('a change set from outside', () => {
  const good = {
    id: newId(),
    schemaVersion,
    sentence: 'Did it',
    operations: [{ op: 'put', kind: 'room', id: newId(), base: null, fields: { name: 'Hall' } }],
  }
  it('is read', () => expect(readChangeSet(good)).toMatchObject({ ok: true }))
  it('that waited since version 1 is told in today’s words, and goes through', () => {
    const [order, chair] = [newId(), newId()]
    const old = candidateOf(piece, world.ids.seller)
    const terms = {
      priceMinor: 100_00,
      packSize: 1,
      discountPpm: 0,
      deliveryMinor: 0,
      taxPpm: 200_000,
      taxIncluded: false,
      deliveryTaxed: true,
      leadDays: 14,
      returnDays: 14,
    }
    const put = (kind: string, id: string, fields: object) => ({ op: 'put', kind, id, base: null, fields })
    const read = readChangeSet({
      ...good,
      schemaVersion: 1,
      operations: [
        put('piece', chair, {
          roomId: world.ids.room,
          zoneId: null,
          needId: world.ids.need,
          categoryId: world.categories.Furniture,
          name: 'Chair',
          quantity: 1,
          unit: 'pieces',
          allowanceMinor: 0,
          chosenId: null,
          chosenReason: '',
        }),
        put('purchase', order, {
          pieceId: piece,
          candidateId: candidate,
          packs: 1,
          orderedOn: '2027-02-01',
          reference: 'No 7',
          ...terms,
        }),
        put('payment', newId(), {
          purchaseId: order,
          direction: 'out',
          amountMinor: 60_00,
          paidOn: '2027-02-02',
          tender: 'card',
          reversesId: null,
        }),
      ],
    })
    if (!read.ok) throw new Error(JSON.stringify(read.faults))
    const before = change(planned, [
      edit('candidate', planned.makeover.rows.candidate[candidate] ?? ({} as never), { ...old, sellerId: null }),
    ])
    const after = change(before, read.value.operations)
    expect(after.makeover.rows.order[order]).toMatchObject({ orderedOn: '2027-02-01', reference: 'No 7' })
    expect(Object.values(after.makeover.rows.payment)[0]).toMatchObject({ orderId: order, amountMinor: 60_00 })
    expect(Object.values(after.makeover.rows.serving)[0]).toMatchObject({ needId: world.ids.need, pieceId: chair })
  })
  it('that waited since version 4 has its sample looked at by each light, and its finish in no place yet', () => {
    const [finish, sample] = [newId(), newId()]
    const put = (kind: string, id: string, fields: object) => ({ op: 'put', kind, id, base: null, fields })
    const {
      place: _place,
      texture: _texture,
      zoneId: _zoneId,
      repeatMm: _repeatMm,
      suits: _suits,
      hides: _hides,
      ...older
    } = blank.finish
    const read = readChangeSet({
      ...good,
      schemaVersion: 4,
      operations: [
        put('finish', finish, {
          ...older,
          roomId: world.ids.room,
          name: 'Wall',
          role: 'dominant',
          family: 'paint',
          sheen: 'matt',
          labL: 60,
          labA: 0,
          labB: 0,
          colourSource: 'lab',
          usedFor: '',
          visibleM2: null,
        }),
        put('sample', sample, {
          finishId: finish,
          orderedOn: null,
          cameOn: null,
          seenIn: 'noon, lamp',
          verdict: 'open',
          judgedBy: 'Tess',
        }),
      ],
    })
    if (!read.ok) throw new Error(JSON.stringify(read.faults))
    const after = change(planned, read.value.operations)
    expect(after.makeover.rows.finish[finish]).toMatchObject({ place: 0, texture: 'usual', suits: '' })
    expect(Object.values(after.makeover.rows.viewing).map((row) => [row.sampleId, row.light])).toEqual([
      [sample, 'noon'],
      [sample, 'lamp'],
    ])
  })
  it.each([
    ['nothing', null],
    ['a list', []],
    ['an id that is none', { ...good, id: 'x' }],
    ['another version', { ...good, schemaVersion: schemaVersion + 1 }],
    ['no sentence', { ...good, sentence: ' ' }],
    ['a sentence of 501', { ...good, sentence: 'x'.repeat(501) }],
    ['no operations', { ...good, operations: [] }],
    ['an unknown kind', { ...good, operations: [{ ...good.operations[0], kind: 'constructor' }] }],
    ['an unknown operation', { ...good, operations: [{ ...good.operations[0], op: 'replace' }] }],
    ['fields that are none', { ...good, operations: [{ ...good.operations[0], fields: [] }] }],
    ['one row twice', { ...good, operations: [good.operations[0], good.operations[0]] }],
    ['a removal without a version', { ...good, operations: [{ op: 'remove', kind: 'room', id: newId() }] }],
  ])('%s is refused, saying where', (_name, body) => {
    const read = readChangeSet(body)
    expect(read.ok).toBe(false)
    if (!read.ok)
      expect(read.faults[0]).toMatchObject({
        code: 'malformed',
        field: expect.any(String),
        message: expect.any(String),
      })
  })
})

describe('applying', () => {
  it('leaves what it was given as it was', () => {
    const before = structuredClone(planned)
    apply(
      planned,
      [
        remove('candidate', planned.makeover.rows.candidate[candidate] ?? ({} as never)),
        add('room', newId(), { uses: '', name: 'Hall' }),
      ],
      newId(),
    )
    expect(planned).toEqual(before)
  })
  it('refuses to leave a reference that leads nowhere, and names what holds it', () => {
    const { faults } = tryChange(planned, [remove('piece', planned.makeover.rows.piece[piece] ?? ({} as never))])
    expect(faults[0]).toMatchObject({ code: 'reference', kind: 'candidate', field: 'pieceId' })
  })
  it('says that a row is gone', () => {
    const gone = edit('room', { uses: '', id: newId(), version: newId(), name: '' }, { name: 'x' })
    expect(tryChange(planned, [gone]).faults[0]).toMatchObject({ code: 'gone' })
  })
  it('knows every reference: a field that ends in Id refers to a kind', () => {
    for (const kind of kindNames) {
      const named = Object.keys(schemas[kind].fields)
        .filter((field) => field.endsWith('Id'))
        .sort()
      expect(Object.keys(references[kind]).sort()).toEqual(named)
    }
  })
})

describe('the agreed budget', () => {
  const agreement = begun.makeover.rows.agreement[world.ids.agreement] ?? ({} as never)
  const line = Object.values(begun.makeover.rows.agreementLine)[0] ?? ({} as never)
  const category = Object.values(begun.makeover.rows.category)[0] ?? ({} as never)
  const next = (fields: object, amount = 1) => {
    const id = newId()
    return [
      add('agreement', id, {
        number: 2,
        contingencyMinor: minor(0),
        signedById: world.ids.client,
        signedOn: testToday,
        reason: 'More',
        kept: '',
        ...fields,
      }),
      add('agreementLine', newId(), { agreementId: id, categoryId: category.id, amountMinor: minor(amount) }),
    ]
  }
  it.each([
    ['its contingency', [edit('agreement', agreement, { contingencyMinor: minor(1) })]],
    ['a sum of it', [edit('agreementLine', line, { amountMinor: minor(1) })]],
    ['a sum taken away', [remove('agreementLine', line)]],
    [
      'a sum slipped in',
      [add('agreementLine', newId(), { agreementId: agreement.id, categoryId: category.id, amountMinor: minor(1) })],
    ],
    ['the name of a category in it', [edit('category', category, { name: 'Other' })]],
  ])('once signed is fixed: %s', (_name, operations) =>
    expect(tryChange(begun, operations).faults.map((fault) => fault.code)).toContain('signed'),
  )
  it('changes by a signed change with a reason, and keeps what was signed', () => {
    const after = change(begun, next({}))
    expect(Object.keys(after.makeover.rows.agreement)).toHaveLength(2)
    expect(after.makeover.rows.agreement[agreement.id]).toBe(begun.makeover.rows.agreement[agreement.id])
  })
  it.each([
    ['no reason', next({ reason: ' ' }), 'reason'],
    ['a number taken', next({ number: 1 }), 'number'],
    ['a number skipped', next({ number: 3 }), 'number'],
    ['a date in the future', next({ signedOn: '2027-03-02' }), 'signedOn'],
    ['a date before the last signature', next({ signedOn: '2027-01-09' }), 'signedOn'],
    ['a date and nobody', next({ signedById: null }), 'signedById'],
    ['somebody and no date', next({ signedOn: null }), 'signedOn'],
    ['no sums', next({}).slice(0, 1), 'number'],
  ])('with %s is refused', (_name, operations, field) =>
    expect(tryChange(begun, operations).faults.map((fault) => fault.field)).toContain(field),
  )
  it('in another currency is refused once there are sums', () => {
    const head = begun.makeover.rows.makeover[world.ids.makeover] ?? ({} as never)
    expect(tryChange(begun, [edit('makeover', head, { currency: 'JPY' })]).faults[0]).toMatchObject({
      field: 'currency',
    })
  })
})
