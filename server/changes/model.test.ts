/** Whatever is sent through the door, by several people, the database holds exactly what the core computes from what was taken. */
import fc from 'fast-check'
import { v7 as uuidv7 } from 'uuid'
import { afterAll, beforeAll, expect, inject, it } from 'vitest'
import { add, apply, edit, remove, type Documents, type Operation } from '#core/makeover/change.ts'
import { rowsOf } from '#core/makeover/document.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import { minor } from '#core/money/minor.ts'
import { guard } from '#core/reckoning/guards.ts'
import { candidateOf, pieceOf, orderOf } from '#core/testing/small-makeover.ts'
import { makeover, person, serve, type Served } from '../testing/studio.ts'

let served: Served
beforeAll(async () => {
  served = await serve(inject('postgres'))
})
afterAll(() => served.close())

type Step = { what: number; pick: number; amount: number; fromOlder: boolean }
const step = fc.record({
  what: fc.nat(8),
  pick: fc.nat(12),
  amount: fc.integer({ min: 0, max: 400_000 }),
  fromOlder: fc.boolean(),
})

function attempt(
  { makeover: document }: Documents,
  world: Awaited<ReturnType<typeof makeover>>,
  { what, pick, amount }: Step,
): Operation[] {
  const picked = <T>(rows: readonly T[]): T | undefined => rows[pick % Math.max(1, rows.length)]
  const piece = picked(rowsOf(document, 'piece'))
  const candidate = picked(rowsOf(document, 'candidate'))
  const purchase = picked(rowsOf(document, 'purchase'))
  const category = Object.values(world.categories)[pick % 2] ?? ''
  switch (what) {
    case 0:
      return [
        add(
          'piece',
          uuidv7(),
          pieceOf(world.ids.room, category, {
            name: `Piece ${pick}`,
            quantity: 1 + (pick % 3),
            allowanceMinor: minor(amount),
          }),
        ),
      ]
    case 1:
      return piece
        ? [add('candidate', uuidv7(), candidateOf(piece.id, world.ids.seller, { priceMinor: minor(amount) }))]
        : []
    case 2:
      return candidate && document.rows.piece[candidate.pieceId]
        ? [
            edit('piece', document.rows.piece[candidate.pieceId] ?? ({} as never), {
              chosenId: candidate.id,
              chosenReason: 'Good',
            }),
          ]
        : []
    case 3:
      return piece
        ? [edit('piece', piece, pick % 2 === 0 ? { name: `Renamed ${amount}` } : { quantity: 1 + (amount % 4) })]
        : []
    case 4:
      return piece ? [remove('piece', piece)] : []
    case 5:
      return candidate ? [remove('candidate', candidate)] : []
    case 6:
      return candidate ? [...orderOf(uuidv7(), candidate.id, candidate, 1)] : []
    case 7:
      return purchase
        ? [
            add('payment', uuidv7(), {
              orderId: purchase.id,
              direction: pick % 3 === 0 ? 'back' : 'out',
              amountMinor: minor(amount + 1),
              paidOn: plainDate('2027-02-10'),
              tender: 'card',
              creditId: null,
              reversesId: null,
              reason: 'as asked',
            }),
          ]
        : []
    default:
      return candidate && pick % 2 === 0
        ? [
            edit('candidate', candidate, { priceMinor: minor(amount) }),
            add('room', uuidv7(), { uses: '', name: `Room ${pick}` }),
          ]
        : [add('room', uuidv7(), { uses: '', name: pick % 3 === 0 ? '' : `Room ${pick}` })]
  }
}

it('is a document that the core would have made', async () => {
  let taken = 0
  let refused = 0
  let conflicts = 0
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 8, maxLength: 25 }), async (steps) => {
      const who = await person(served)
      const world = await makeover(who)
      const opened = await who.open(world.ids.makeover)
      let mine: Documents = { makeover: opened.makeover, studio: opened.studio }
      const seen: Documents[] = [mine]
      const send = async (operations: Operation[]): Promise<number> => {
        const id = uuidv7()
        const answer = await who.change(world.ids.makeover, operations, { id })
        expect(answer.status, answer.text).toBeLessThan(500)
        if (answer.status === 200) {
          taken++
          const applied = apply(mine, operations, id)
          expect(applied.faults).toEqual([])
          expect(guard(mine, applied.documents, plainDate('2027-03-01'))).toEqual([])
          mine = { ...applied.documents, makeover: { ...applied.documents.makeover, rev: mine.makeover.rev + 1 } }
          seen.push(mine)
        } else if (answer.status === 409) conflicts++
        else refused++
        return answer.status
      }
      for (const step of steps) {
        const documents = step.fromOlder || step.what === 3 ? (seen[step.pick % seen.length] ?? mine) : mine
        const operations = attempt(documents, world, step)
        if (operations.length > 0) await send(operations)
      }
      // and once for certain: a conflict, and a refusal
      const room = rowsOf(mine.makeover, 'room')[0]
      if (!room) throw new Error('a makeover has a room')
      expect(await send([edit('room', room, { name: 'First' })])).toBe(200)
      expect(await send([edit('room', room, { name: 'Second' })])).toBe(409)
      expect(await send([add('room', uuidv7(), { uses: '', name: '' })])).toBe(422)
      const kept = await who.open(world.ids.makeover)
      expect(kept.makeover).toEqual(mine.makeover)
      expect(kept.studio.rows).toEqual(mine.studio.rows)
      const diary = (await who.get(`/makeovers/${world.ids.makeover}/changes`)).body as { rev: number }[]
      expect(diary.map((entry) => entry.rev)).toEqual(Array.from({ length: mine.makeover.rev }, (_, at) => at + 1))
    }),
    { numRuns: 15 },
  )
  expect(taken).toBeGreaterThan(20)
  expect(refused).toBeGreaterThanOrEqual(15)
  expect(conflicts).toBeGreaterThanOrEqual(15)
})
