import fc from 'fast-check'
import { expect, it } from 'vitest'
import type { Documents } from '../makeover/change.ts'
import { elevationOf, planOf, roomsOf } from '../survey/index.ts'
import { demoDocuments } from '../testing/demos.ts'
import { testToday } from '../testing/small-makeover.ts'
import { wounded, wounds } from '../testing/wounds.ts'
import { reckon } from './reckon.ts'

const demos = demoDocuments()

/** The paths of numbers that are none. */
function unreal(value: unknown, path = ''): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [`${path}: ${value}`]
  if (value instanceof Map) return [...value].flatMap(([key, entry]) => unreal(entry, `${path}.${String(key)}`))
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, entry]) => unreal(entry, `${path}.${key}`))
}

it('whatever a document holds, it is reckoned: every figure is a number, and its rooms are drawn', () => {
  fc.assert(
    fc.property(fc.nat({ max: demos.length - 1 }), wounds, (which, all) => {
      const hurt = wounded(demos[which] as Documents, all)
      const reckoning = reckon(hurt, testToday)
      expect(unreal({ ...reckoning, practice: null })).toEqual([])
      for (const room of roomsOf(hurt.makeover, reckoning.practice.rules)) {
        expect(unreal(planOf(room, { text: 150, units: 'metric', rules: reckoning.practice.rules }).marks)).toEqual([])
        for (const wall of room.walls)
          expect(unreal(elevationOf(room, wall, { text: 150, units: 'metric' }).marks)).toEqual([])
      }
    }),
    { numRuns: Number(process.env.RUNS ?? 100) },
  )
}, 60_000)
