import { expect, it } from 'vitest'
import { paletteWorld } from '../testing/palette.ts'
import { reckon } from '../reckoning/reckon.ts'
import { testToday } from '../testing/small-makeover.ts'

const { finish, school, with: laid } = paletteWorld()
const asks = (name: string, ...surfaces: ('walls' | 'floor')[]): string[] =>
  reckon(
    laid(school('begin', name), ...surfaces.map((surface) => finish(`Of the ${surface}`, '#9a9080', { surface }))),
    testToday,
  )
    .remarks.filter(({ code }) => code === 'brief.begin')
    .map(({ title }) => title)

it('a makeover that begins with the floor, or with paint, asks for it once a finish is laid, until it is there', () => {
  expect(asks('floor', 'walls')).toEqual(['The palette has no floor yet'])
  expect(asks('floor', 'walls', 'floor')).toEqual([])
  expect(asks('floor')).toEqual([])
  expect(asks('paint', 'floor')).toEqual(['The palette has no wall yet'])
  expect(asks('paint', 'floor', 'walls')).toEqual([])
  expect(asks('paint')).toEqual([])
})
