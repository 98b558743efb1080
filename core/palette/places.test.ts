import { expect, it } from 'vitest'
import { plainPractice } from '../makeover/practice.ts'
import { paletteWorld } from '../testing/palette.ts'
import { placesOf, unmeasured } from './places.ts'

it('a floor is all over its room; a rug, of cloth or plush, is in no place until somebody says where', () => {
  const { finish, idOf, with: laid } = paletteWorld()
  const floor = (name: string, family: 'wood' | 'textile' | 'plush') =>
    finish(name, '#8a6a4a', { surface: 'floor', family })
  const { makeover } = laid(floor('Boards', 'wood'), floor('Flat rug', 'textile'), floor('Deep rug', 'plush'))
  const own = (name: string) =>
    placesOf(makeover, [idOf(name)], unmeasured, plainPractice.rules)
      .get(idOf(name))
      ?.find(({ id }) => id === idOf(name))
  expect(own('Boards')).toMatchObject({ all: true, z: 0, at: null })
  expect(own('Flat rug')).toMatchObject({ all: false, z: 0 })
  expect(own('Deep rug')).toMatchObject({ all: false, z: 0 })
})
