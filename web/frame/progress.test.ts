import { describe, expect, it } from 'vitest'
import { blank } from '#core/makeover/blank.ts'
import { add } from '#core/makeover/change.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import { begin, candidateOf, change, countingIds, pieceOf, orderOf, testToday } from '#core/testing/small-makeover.ts'
import { stepProgress } from './progress.ts'

const newId = countingIds()
const world = begin(newId)
const far = (documents: typeof world.start) => stepProgress(documents.makeover, reckon(documents, testToday))

describe('how far a step is', () => {
  it('is nothing in an empty makeover, and never past the end', () => {
    expect(far(world.start)).toEqual({
      brief: 0,
      survey: 0,
      palette: 0,
      surfaces: 0,
      pieces: 0,
      placement: 0,
      purchases: 0,
      calendar: 0,
      reveal: 0,
    })
    const [piece, candidate, order] = [newId(), newId(), newId()]
    const offer = candidateOf(piece, world.ids.seller)
    let documents = change(world.start, [
      ...world.operations,
      add('piece', piece, pieceOf(world.ids.room, world.categories.Furniture ?? '')),
    ])
    expect(far(documents)).toMatchObject({ brief: 1, pieces: 0, purchases: 0 })
    documents = change(documents, [add('candidate', candidate, offer), ...orderOf(order, candidate, offer, 1)])
    expect(far(documents)).toMatchObject({ pieces: 1, purchases: 0 })
    documents = change(documents, [
      add('delivery', newId(), { ...blank.delivery, purchaseId: order, packs: 1, receivedOn: plainDate('2027-02-20') }),
    ])
    expect(far(documents)).toMatchObject({ brief: 1, pieces: 1, purchases: 1 })
  })
})
