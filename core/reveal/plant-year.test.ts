import { describe, expect, it } from 'vitest'
import { edit } from '../makeover/change.ts'
import { change } from '../testing/small-makeover.ts'
import { plannedRoom } from '../testing/planned.ts'
import { plantYear } from './plant-year.ts'

const { good, start } = plannedRoom()
const fig = good({ name: 'Fig in a pot', thing: 'plant' })
const planted = change(start, fig.operations)

describe('the plants by month', () => {
  // common practice: fed from March to September, rested from November on; in before the frost
  it('of the north rest in January and are fed in May; moved ones come in in October', () => {
    const year = plantYear(planted.makeover, 'moved')
    expect(year?.plants).toEqual(['Fig in a pot'])
    const said = Object.fromEntries((year?.months ?? []).map(({ month, says }) => [month, says.join('; ')]))
    expect(said.January).toContain('rests')
    expect(said.May).toContain('feed')
    expect(said.May).toContain('out once no more frost is due')
    expect(said.October).toContain('in before the first frost')
    expect(plantYear(planted.makeover, 'seasons')?.months.some(({ says }) => says.join().includes('frost'))).toBe(false)
  })
  it('of the south half a year on', () => {
    const head = Object.values(planted.makeover.rows.makeover)[0]
    if (!head) throw new Error('it has begun')
    const south = change(planted, [edit('makeover', head, { country: 'NZ' })])
    const says = (documents: typeof planted, month: number) =>
      plantYear(documents.makeover, 'moved')?.months[month]?.says
    expect(says(south, 0)).toEqual(says(planted, 6))
    expect(says(south, 3)).toEqual(says(planted, 9))
  })
  it('of none, or of faux ones, is none', () => {
    expect(plantYear(start.makeover, 'seasons')).toBeNull()
    expect(plantYear(planted.makeover, 'faux')).toBeNull()
  })
})
