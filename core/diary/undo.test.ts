import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add, edit, remove, type Documents, type Operation } from '../makeover/change.ts'
import { rowsOf } from '../makeover/document.ts'
import { plainDate } from '../measure/plain-date.ts'
import { minor } from '../money/minor.ts'
import { candidateOf, change, orderOf, pieceOf, testToday } from '../testing/small-makeover.ts'
import { withoutPersonal } from './entries.ts'
import { type Done } from './undo.ts'
import { bare, begun, did, newId, undo, world } from '../testing/undoing.ts'

describe('undo', () => {
  it('brings back exactly what was, whatever was done, and redo does it again', () => {
    const step = fc.record({
      what: fc.nat(3),
      pick: fc.nat(9),
      name: fc.constantFrom('Chair', 'Table', 'Lamp'),
      quantity: fc.integer({ min: 1, max: 9 }),
    })
    fc.assert(
      fc.property(fc.array(step, { minLength: 1, maxLength: 12 }), (steps) => {
        let documents = begun
        const history: { before: Documents; done: Done }[] = []
        for (const { what, pick, name, quantity } of steps) {
          const pieces = rowsOf(documents.makeover, 'piece')
          const piece = pieces[pick % Math.max(1, pieces.length)]
          const fresh = newId()
          const operations: Operation[] =
            what === 0 || !piece
              ? [
                  add('piece', fresh, pieceOf(world.ids.room, world.categories.Furniture ?? '', { name })),
                  add('candidate', newId(), candidateOf(fresh, world.ids.seller)),
                ]
              : what === 1
                ? [edit('piece', piece, { name, quantity })]
                : what === 2
                  ? [
                      remove('piece', piece),
                      ...rowsOf(documents.makeover, 'candidate')
                        .filter((row) => row.pieceId === piece.id)
                        .map((row) => remove('candidate', row)),
                    ]
                  : [edit('piece', piece, { name: `${name} ${pick}` }), add('room', fresh, { uses: '', name })]
          const made = did(documents, operations)
          history.push({ before: documents, done: made.done })
          documents = made.documents
        }
        const end = documents
        const redone: { after: Documents; done: Done }[] = []
        for (const { before, done } of history.toReversed()) {
          const back = undo(done, documents)
          if (back.is === 'refused') throw new Error(back.why)
          const made = did(documents, back.operations, back.sentence, done.id)
          redone.push({ after: documents, done: made.done })
          documents = made.documents
          expect(bare(documents)).toEqual(bare(before))
        }
        for (const { after, done } of redone.toReversed()) {
          const again = undo(done, documents)
          if (again.is === 'refused') throw new Error(again.why)
          expect(again.sentence).toBe('Redid “Did it”')
          documents = did(documents, again.operations, again.sentence, done.id).documents
          expect(bare(documents)).toEqual(bare(after))
        }
        expect(bare(documents)).toEqual(bare(end))
      }),
      { numRuns: 60 },
    )
  })
  it('is refused with the reason where others built on it', () => {
    const [piece, room] = [newId(), newId()]
    const made = did(begun, [
      add('piece', piece, pieceOf(world.ids.room, world.categories.Furniture ?? '', { name: 'Chair' })),
    ])
    const row = made.documents.makeover.rows.piece[piece] ?? ({} as never)
    const renamed = did(made.documents, [edit('piece', row, { name: 'Throne' })])
    expect(undo(made.done, renamed.documents)).toMatchObject({
      is: 'refused',
      why: expect.stringMatching(/name of the piece “Throne” was changed again since/),
    })
    // another field of it is no hindrance to taking back one's own
    const counted = did(renamed.documents, [
      edit('piece', renamed.documents.makeover.rows.piece[piece] ?? ({} as never), { quantity: 4 }),
    ])
    const back = undo(renamed.done, counted.documents)
    expect(back).toMatchObject({ is: 'ready' })
    if (back.is === 'ready')
      expect(did(counted.documents, back.operations).documents.makeover.rows.piece[piece]).toMatchObject({
        name: 'Chair',
        quantity: 4,
      })
    const hall = did(begun, [add('room', room, { uses: '', name: 'Hall' })])
    const used = did(hall.documents, [add('zone', newId(), { ...blank.zone, roomId: room, name: 'Nook' })])
    expect(undo(hall.done, used.documents)).toMatchObject({
      is: 'refused',
      why: expect.stringMatching(/“Nook” refers to a room that is not there/),
    })
    const gone = did(made.documents, [remove('piece', row)])
    expect(undo(made.done, gone.documents)).toMatchObject({
      is: 'refused',
      why: expect.stringMatching(/was taken away since/),
    })
    expect(undo(gone.done, made.documents)).toMatchObject({
      is: 'refused',
      why: expect.stringMatching(/is there again already/),
    })
  })
  it('does not make up what the diary does not keep', () => {
    const client = begun.makeover.rows.client[world.ids.client] ?? ({} as never)
    const made = did(begun, [edit('client', client, { name: 'Somebody Private' })])
    expect(undo(made.done, made.documents)).toMatchObject({ is: 'ready' }) // who typed it here still knows
    const kept = { ...made.done, rows: made.done.rows.map(withoutPersonal) }
    expect(JSON.stringify(kept.rows)).not.toContain('Somebody Private')
    expect(undo(kept, made.documents)).toMatchObject({
      is: 'refused',
      why: expect.stringMatching(/is personal, and the diary does not keep it/),
    })
  })
  it('offers money that moved its own opposite, once', () => {
    const [piece, candidate, order] = [newId(), newId(), newId()]
    const offer = candidateOf(piece, world.ids.seller)
    const ordered = change(begun, [
      add('piece', piece, pieceOf(world.ids.room, world.categories.Furniture ?? '')),
      add('candidate', candidate, offer),
      ...orderOf(order, candidate, offer, 1),
    ])
    const paid = did(
      ordered,
      [
        add('payment', newId(), {
          ...blank.payment,
          orderId: order,
          direction: 'out',
          amountMinor: minor(40_00),
          paidOn: plainDate('2027-02-03'),
          tender: 'card',
        }),
      ],
      'Paid it',
    )
    const back = undo(paid.done, paid.documents)
    expect(back).toMatchObject({
      is: 'refused',
      why: expect.stringMatching(/a payment is never changed or taken away/),
      opposite: { sentence: 'Entered the opposite of “Paid it”' },
    })
    if (back.is !== 'refused' || !back.opposite) throw new Error('it has an opposite')
    const reversed = did(paid.documents, back.opposite.operations)
    expect(rowsOf(reversed.documents.makeover, 'payment').map((row) => [row.direction, row.amountMinor])).toEqual([
      ['out', 40_00],
      ['back', 40_00],
    ])
    expect(undo(paid.done, reversed.documents)).toMatchObject({ is: 'refused', opposite: null })
  })
  it('offers a signed change the sums before it, as a draft to be signed', () => {
    const id = newId()
    const lines = Object.values(world.categories).map((categoryId) =>
      add('agreementLine', newId(), { agreementId: id, categoryId, amountMinor: minor(9_000_00) }),
    )
    const signed = did(begun, [
      add('agreement', id, {
        number: 2,
        contingencyMinor: minor(1),
        signedById: world.ids.client,
        signedOn: testToday,
        reason: 'More',
        kept: '',
      }),
      ...lines,
    ])
    const back = undo(signed.done, signed.documents)
    expect(back).toMatchObject({
      is: 'refused',
      why: expect.stringMatching(/is fixed: it changes only by a signed change/),
    })
    if (back.is !== 'refused' || !back.opposite) throw new Error('it has an opposite')
    const drafted = did(signed.documents, back.opposite.operations).documents
    const draft = rowsOf(drafted.makeover, 'agreement').at(-1)
    expect(draft).toMatchObject({ number: 3, signedOn: null, contingencyMinor: 600_00 })
    expect(
      rowsOf(drafted.makeover, 'agreementLine')
        .filter((row) => row.agreementId === draft?.id)
        .map((row) => row.amountMinor)
        .sort(),
    ).toEqual([1_400_00, 4_000_00])
    expect(rowsOf(drafted.makeover, 'agreement').filter((row) => row.signedOn !== null)).toHaveLength(2)
  })
})
