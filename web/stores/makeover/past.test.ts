import { expect, it, vi } from 'vitest'
import { begin, change, countingIds, testToday } from '#core/testing/small-makeover.ts'
import { createPast } from './past.ts'

const world = begin(countingIds())
const documents = change(world.start, world.operations)
const moment = { rev: 2, madeAt: '2027-02-01T10:00:00Z', sentence: 'Began it', who: 'Somebody' }
vi.mock('../../api.ts', () => ({
  request: (_method: string, path: string) =>
    path.endsWith('/at/2')
      ? Promise.resolve({ ...documents, today: testToday, moment })
      : Promise.reject(new Error(path)),
}))

it('shows a makeover as it was, and says which moment that is', async () => {
  const lay = vi.fn((next: () => unknown) => Promise.resolve(void next()))
  const { past, lookAt } = createPast({ lay })
  await lookAt(documents.makeover.id, 2)
  expect(past.value).toEqual(moment)
  expect(lay.mock.calls[0]?.[0]()).toEqual({ ...documents, today: testToday })
})
it('stays where it is when the moment is not to be had', async () => {
  const lay = vi.fn()
  const { past, lookAt } = createPast({ lay })
  await expect(lookAt(documents.makeover.id, 7)).rejects.toThrow()
  expect(past.value).toBeNull()
  expect(lay).not.toHaveBeenCalled()
})
