/**
 * What is to be said of a palette and at which weight, each with a case close by that stays silent. The rules are common
 * practice of the trade where no source is named.
 */
import { describe, expect, it } from 'vitest'
import { add, type Documents } from '../makeover/change.ts'
import { change } from '../testing/small-makeover.ts'
import { finish, idOf, newId, piece, world } from '../testing/coloured-room.ts'
import { codesOf, reckoned } from '../testing/palette.ts'

const said = (documents: Documents, code: string) =>
  reckoned(documents).remarks.filter((remark) => remark.code === `palette.${code}`)
const school = (documents: Documents, question: string, name: string): Documents =>
  change(documents, [add('school', newId(), { question: question as never, school: name })])

describe('near-neutrals', () => {
  it('clash as whites of like depth, and never far apart in depth', () => {
    const warm = finish('Warm white', '#f4ecdc', { surface: 'walls' })
    expect(codesOf(world.with(warm, finish('Cool white', '#e6edf3', { surface: 'trim' })))).toContain('palette.clash')
    expect(codesOf(world.with(warm, finish('Slate', '#3c444c', { surface: 'trim' })))).not.toContain('palette.clash')
    expect(codesOf(world.with(warm, finish('Cot', '#8d9196', { surface: 'piece' })))).not.toContain('palette.clash')
  })
})

describe('what a thing is seen against', () => {
  const wall = finish('Oat', '#d9d0bd', { surface: 'walls' })
  it('a sofa of the wall’s colour is lost before it; a cushion, a runner and a tap are not asked', () => {
    expect(said(world.with(wall, piece('Sofa', '#d8cfbd')), 'before-wall')).toHaveLength(1)
    for (const name of ['Cushion', 'Striped runner', 'Basin tap'])
      expect(said(world.with(wall, piece(name, '#d8cfbd')), 'before-wall'), name).toEqual([])
  })
  it('a rug is held against its floor, a ceiling light against the ceiling', () => {
    const floor = finish('Boards', '#b98d55', { family: 'wood', surface: 'floor' })
    expect(said(world.with(wall, floor, piece('Wool rug', '#d8cfbd')), 'before-wall')).toEqual([])
    expect(said(world.with(wall, floor, piece('Wool rug', '#b88d56')), 'before-wall')[0]?.title).toContain('Boards')
    const ceiling = finish('Ceiling', '#f5f3ee', { surface: 'ceiling' })
    expect(said(world.with(wall, ceiling, piece('Pendant over the table', '#d8cfbd')), 'before-wall')).toEqual([])
  })
  it('in quiet layers pale before pale is wanted', () => {
    const pale = world.with(finish('Chalk', '#ece8de', { surface: 'walls' }), piece('Sofa', '#eae6dc'))
    expect(said(pale, 'before-wall')).toHaveLength(1)
    expect(said(school(pale, 'colours', 'quiet'), 'before-wall')).toEqual([])
  })
})

describe('accents', () => {
  const rust = finish('Rust', '#a84f33', { role: 'accent', surface: 'other' })
  it('in one set of chairs are several places; in one chair they appear once', () => {
    const chairs = (quantity: number) =>
      world.with(
        piece('Chairs', '#a84f33', { quantity }),
        finish('Rust', '#a84f33', { role: 'accent', surface: 'piece', pieceId: idOf('Chairs') }),
      )
    expect(said(chairs(1), 'appears-seldom')[0]).toMatchObject({ weight: 'look' })
    expect(said(chairs(4), 'appears-seldom')).toEqual([])
  })
  it('of metal or leaf are not asked for one by one', () => {
    expect(said(world.with(rust), 'appears-seldom')).toHaveLength(1)
    const brass = finish('Brass', '#b08d57', { role: 'accent', family: 'metal' })
    expect(said(world.with(brass), 'appears-seldom')).toEqual([])
  })
})

describe('materials', () => {
  it('jute is no strong colour; a dyed cloth of its colour is', () => {
    const cloth = (name: string) =>
      school(
        world.with(finish('Chalk', '#ece8de', { surface: 'walls' }), finish(name, '#b98d55', { family: 'textile' })),
        'colours',
        'quiet',
      )
    expect(said(cloth('Jute'), 'many-strong')).toEqual([])
    expect(said(cloth('Ochre linen'), 'many-strong')).toHaveLength(1)
  })
  it('patterns are of one scale under one and a half times the smaller repeat, not by size classes', () => {
    const pair = (small: number, large: number) =>
      world.with(
        finish('Sprig', '#8fa3a8', { pattern: 'floral', repeatMm: small }),
        finish('Check', '#8fa3a8', { pattern: 'check', repeatMm: large }),
      )
    expect(said(pair(12, 60), 'pattern-scale')).toEqual([])
    expect(said(pair(50, 60), 'pattern-scale')).toHaveLength(1)
  })
  it('two near silvers on one basin clash whatever the school; elsewhere a second metal is for interest', () => {
    const silvers = (left: string, right: string) =>
      school(
        world.with(
          finish('Nickel', '#c9c0b0', { family: 'metal', usedFor: left }),
          finish('Chrome', '#bcc4cc', { family: 'metal', usedFor: right }),
        ),
        'metals',
        'one-and-one',
      )
    expect(said(silvers('basin tap', 'basin waste'), 'clash')).toHaveLength(1)
    expect(said(silvers('basin tap', 'lamp'), 'clash')).toEqual([])
  })
  it('only pale and grey woods: a deep one is raised, and one that stays is not', () => {
    const wood = (fields: object) =>
      school(world.with(finish('Walnut', '#5c432f', { family: 'wood', surface: 'floor', ...fields })), 'woods', 'pale')
    expect(said(wood({}), 'deep-wood')).toHaveLength(1)
    expect(said(wood({ fate: 'keep' }), 'deep-wood')).toEqual([])
  })
  it('dead-matt paint is raised where children touch it, and not above their reach or where it is scrubbable', () => {
    const room = (fields: object) =>
      change(world.with(finish('Oat', '#d9d0bd', { surface: 'walls', sheen: 'matt', ...fields })), [
        add('constraint', newId(), { roomId: null, reason: 'children', forbids: 'fragile', note: '' }),
      ])
    expect(said(room({}), 'use')).toHaveLength(1)
    expect(said(room({ suits: 'scrub' }), 'use')).toEqual([])
    expect(said(room({ bandFromMm: 1200 }), 'use')).toEqual([])
  })
})

it('shares are held only where sixty, thirty, ten was chosen', () => {
  const lopsided = world.with(
    finish('Oat', '#d9d0bd', { surface: 'walls', visibleM2: 60 }),
    finish('Moss', '#6b7a58', { role: 'secondary', surface: 'piece', visibleM2: 2 }),
    finish('Rust', '#a84f33', { role: 'accent', surface: 'other', visibleM2: 1 }),
  )
  expect(said(school(lopsided, 'colours', 'sixty-thirty-ten'), 'balance').length).toBeGreaterThan(0)
  for (const name of ['two-and-one', 'neutrals-and-one', 'envelope'])
    expect(said(school(lopsided, 'colours', name), 'balance'), name).toEqual([])
})
