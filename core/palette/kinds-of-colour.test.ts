/**
 * What counts as a colour, what ties, what is told apart and what shows, each with a case close by that stays silent. Common
 * practice of the trade, except where a source stands beside the check.
 */
import { describe, expect, it } from 'vitest'
import { add, edit, type Documents, type Operation } from '../makeover/change.ts'
import { blank } from '../makeover/blank.ts'
import { headOf } from '../makeover/document.ts'
import type { Fields } from '../makeover/kinds.ts'
import { change } from '../testing/small-makeover.ts'
import { finish, idOf, newId, piece, school, world } from '../testing/coloured-room.ts'
import { reckoned } from '../testing/palette.ts'
import { clashCures } from './cure.ts'
import { practised } from '../testing/palette.ts'
import { contrastBetween } from './told-apart.ts'

const said = (documents: Documents, code: string) =>
  reckoned(documents).remarks.filter((remark) => remark.code === `palette.${code}`)
const neutrals = () => [
  finish('Chalk', '#ece8de', { surface: 'walls' }),
  finish('Stone grey', '#c9c5bb', { surface: 'floor', family: 'stone' }),
  finish('Oat cloth', '#d8cfbd', { surface: 'piece', family: 'textile' }),
]
const strong = (...rows: (Operation | Operation[])[]): number =>
  reckoned(world.with(...neutrals(), ...rows)).palette.strong.length

describe('what counts as a colour', () => {
  it('a strong colour on a chosen piece, or a rug that is only a piece', () => {
    expect(strong(piece('Blue armchair', '#28508c'))).toBe(1)
    expect(strong(piece('Rug', '#a33a2a', { thing: 'rug' }))).toBe(1)
    expect(strong(piece('Blue armchair', '#28508c'), piece('Navy pouf', '#234a85'))).toBe(1)
    expect(strong(piece('Blue armchair', '#28508c'), piece('Rug', '#a33a2a', { thing: 'rug' }))).toBe(2)
  })
  it('not one that ties to the palette, a pale one, wood, metal, leaves, or undyed fibre', () => {
    expect(strong(finish('Ink', '#28508c', { role: 'accent' }), piece('Blue armchair', '#28508c'))).toBe(1)
    expect(strong(piece('Linen armchair', '#d9d0c0'))).toBe(0)
    expect(strong(piece('Oak table', '#b98d55'))).toBe(0)
    expect(strong(piece('Sideboard', '#b98d55'))).toBe(0)
    expect(strong(piece('Sideboard', '#b98d55', {}, { madeOf: 'plastic' }))).toBe(1)
    expect(strong(piece('Mustard armchair', '#d9a400'))).toBe(1)
    expect(strong(piece('Table', '#b98d55', {}, { madeOf: 'veneer' }))).toBe(0)
    expect(strong(piece('Lamp', '#b08d57', {}, { madeOf: 'brass or bronze' }))).toBe(0)
    expect(strong(piece('Fern', '#3e6b35', { thing: 'plant' }))).toBe(0)
    expect(strong(piece('Runner', '#b8945c', {}, { madeOf: 'jute or sisal' }))).toBe(0)
  })
  it('a stand-in is not counted, and in quiet layers art may carry it', () => {
    expect(strong(piece('Blue armchair', '#28508c', {}, { source: 'placeholder' }))).toBe(0)
    const quiet = (name: string) => world.with(...neutrals(), piece(name, '#28508c'), school('colours', 'quiet'))
    expect(said(quiet('Blue armchair'), 'many-strong')).toHaveLength(1)
    expect(said(quiet('Print of the sea'), 'many-strong')).toEqual([])
  })
  it('neutrals and one: the pop may be a piece, and four pops name the one to keep', () => {
    const popped = (...rows: (Operation | Operation[])[]) =>
      world.with(...neutrals(), ...rows, school('colours', 'neutrals-and-one'))
    expect(said(popped(piece('Blue armchair', '#28508c')), 'no-pop')).toEqual([])
    expect(said(popped(), 'no-pop')).toHaveLength(1)
    const four = popped(
      piece('Blue armchair', '#28508c'),
      piece('Red lamp', '#b3261e'),
      piece('Green vase', '#1f7a4d'),
      piece('Yellow cushion', '#d9a400'),
    )
    expect(said(four, 'many-strong')[0]?.sentence).toMatch(/Keep (Blue armchair|Red lamp|Green vase|Yellow cushion)/)
  })
})

describe('ties by weave and by the view', () => {
  const accent = () =>
    finish('Rust', '#a84f33', { role: 'accent', family: 'textile', surface: 'other', weave: 'Herringbone' })
  const appears = (documents: Documents): number =>
    reckoned(documents).palette.finishes.find(({ id }) => id === idOf('Rust'))?.appears ?? 0
  it('the same weave in two things ties them as a colour does', () => {
    const cloth = (weave: string) => finish('Oat cloth', '#d8cfbd', { family: 'textile', surface: 'other', weave })
    expect(appears(world.with(accent(), cloth('herringbone ')))).toBe(2)
    expect(appears(world.with(accent(), cloth('twill')))).toBe(1)
    expect(appears(world.with(accent(), cloth('')))).toBe(1)
  })
  it('what a window looks on to is a colour of the room', () => {
    const [wallId] = [newId()]
    const wall = add('wall', wallId, { ...blank.wall, roomId: world.ids.room, place: 0, lengthMm: 4000 })
    const window = (view: Partial<Fields<'opening'>>) =>
      add('opening', newId(), {
        ...blank.opening,
        wallId,
        what: 'window',
        fromMm: 1000,
        widthMm: 1200,
        headMm: 2100,
        ...view,
      })
    const brick = { viewName: 'a brick wall', viewL: 44, viewA: 36, viewB: 33 }
    expect(appears(world.with(accent(), wall, window(brick)))).toBe(2)
    expect(appears(world.with(accent(), wall, window({})))).toBe(1)
    expect(appears(world.with(accent(), wall, window({ ...brick, viewA: -30 })))).toBe(1)
  })
})

describe('surfaces to be told apart', () => {
  // BS 8300-2 counts the difference; AS 1428.1 as published; Michelson’s formula, which ISO 21542 is said to take (likely)
  it('counts by each standard', () => {
    expect(contrastBetween('BS 8300-2', 70, 42)).toBe(28)
    expect(contrastBetween('AS 1428.1', 70, 42)).toBeCloseTo((125 * 28) / 137, 9)
    expect(contrastBetween('ISO 21542', 70, 42)).toBeCloseTo(25, 9)
  })
  const room = (contrastBy: Fields<'makeover'>['contrastBy'], doorLrv: number | null, wallLrv: number | null) => {
    const documents = world.with(
      finish('Wall', '#d9d0bd', { surface: 'walls', lrv: wallLrv }),
      finish('Door', '#8d7b5f', { surface: 'door', lrv: doorLrv }),
      add('constraint', newId(), { roomId: null, reason: 'access', forbids: 'heavy', note: 'He sees little' }),
    )
    const head = headOf(documents.makeover)
    return head ? change(documents, [edit('makeover', head, { contrastBy })]) : documents
  }
  it('dark tones pass by one standard and fail by another, which is named', () => {
    // 36 against 12: 24 points are short of 30; 125 × 24 ÷ 73 = 41 and 100 × 24 ÷ 48 = 50 are enough
    expect(said(room('BS 8300-2', 12, 36), 'door')[0]?.sentence).toContain('by BS 8300-2')
    expect(said(room('AS 1428.1', 12, 36), 'door')).toEqual([])
    expect(said(room('ISO 21542', 12, 36), 'door')).toEqual([])
  })
  it('the maker’s LRV counts and is no estimate, and a shortfall is never rounded onto its limit', () => {
    const [remark] = said(room('BS 8300-2', 30.1, 60), 'door')
    expect(remark?.sentence).toContain('29.9 points of LRV, by their makers’ LRV')
    expect(said(room('BS 8300-2', 30, 60), 'door')).toEqual([])
    expect(said(room('BS 8300-2', null, 36), 'door')[0]?.sentence).toContain('an estimate')
  })
})

describe('patterns', () => {
  const print = (name: string, hex: string, repeatMm: number) =>
    finish(name, hex, { pattern: 'floral', repeatMm, family: 'textile', surface: 'other' })
  it('three of one scale with nothing shared are one look, two are notes', () => {
    const three = world.with(print('Leaf', '#3e6b35', 300), print('Rose', '#b3425a', 320), print('Sea', '#28508c', 340))
    expect(said(three, 'patterns-compete').map(({ weight }) => weight)).toEqual(['look'])
    expect([...said(three, 'pattern-scale'), ...said(three, 'pattern-apart')]).toEqual([])
    const two = world.with(print('Leaf', '#3e6b35', 300), print('Rose', '#b3425a', 320))
    expect(said(two, 'patterns-compete')).toEqual([])
    expect(said(two, 'pattern-scale').map(({ weight }) => weight)).toEqual(['note'])
  })
  it('three that differ in scale, or hold one colour, do not compete', () => {
    const scaled = world.with(print('Leaf', '#3e6b35', 60), print('Rose', '#b3425a', 200), print('Sea', '#28508c', 600))
    expect(said(scaled, 'patterns-compete')).toEqual([])
    const rows = [print('Leaf', '#3e6b35', 300), print('Rose', '#b3425a', 320), print('Sea', '#28508c', 340)]
    const shared = world.with(
      finish('Cream', '#efe6d2', { surface: 'walls' }),
      ...rows,
      world.carries('Leaf', 'Cream', 0.4),
      world.carries('Rose', 'Cream', 0.4),
      world.carries('Sea', 'Cream', 0.4),
    )
    expect(said(shared, 'patterns-compete')).toEqual([])
  })
})

describe('metals beside tile and stone', () => {
  const bath = (metal: { L: number; a: number; b: number }, tile: { L: number; a: number; b: number }) =>
    world.with(
      finish('Tap metal', metal, { family: 'metal', surface: 'other' }),
      finish('Tile', tile, { family: 'ceramic', surface: 'walls' }),
    )
  const [chrome, nickel] = [
    { L: 78, a: -0.4, b: -0.6 },
    { L: 76, a: 0.6, b: 5 },
  ]
  const [warm, cool] = [
    { L: 86, a: 1, b: 9 },
    { L: 88, a: -1, b: -4 },
  ]
  it('chrome beside warm tile is a note, nickel is right there', () => {
    expect(said(bath(chrome, warm), 'metal-beside').map(({ weight }) => weight)).toEqual(['note'])
    expect(said(bath(nickel, warm), 'metal-beside')).toEqual([])
  })
  it('and the other way round; a black metal and brass are not asked', () => {
    expect(said(bath(nickel, cool), 'metal-beside')).toHaveLength(1)
    expect(said(bath(chrome, cool), 'metal-beside')).toEqual([])
    expect(said(bath({ L: 18, a: 0, b: 0 }, warm), 'metal-beside')).toEqual([])
    expect(said(bath({ L: 62, a: 4, b: 32 }, cool), 'metal-beside')).toEqual([])
  })
})

describe('touch-ups', () => {
  const touched = (hex: string, more: Partial<Fields<'finish'>> = {}) =>
    world.with(
      finish('Old wall', '#d9d0bd', { surface: 'walls', fate: 'keep', material: 'paint' }),
      finish('New tin', hex, { surface: 'walls', touchUp: true, ...more }),
    )
  it('from 2 ΔE00 on are seen in the middle of a wall', () => {
    expect(said(touched('#e0d8c8'), 'touch-up').map(({ weight }) => weight)).toEqual(['look'])
    expect(said(touched('#d9d0be'), 'touch-up')).toEqual([])
    expect(said(touched('#e0d8c8', { touchUp: false }), 'touch-up')).toEqual([])
  })
})

it('a cure that moves the paint says that the tile stays', () => {
  const documents = world.with(
    finish('Warm tile', '#efe2cf', { family: 'ceramic', surface: 'floor', fate: 'keep' }),
    finish('Cool paint', '#dde5ec', { surface: 'walls' }),
  )
  const cures = clashCures(
    documents.makeover,
    { left: idOf('Warm tile'), right: idOf('Cool paint') },
    practised(documents),
  )
  expect(cures.length).toBeGreaterThan(0)
  expect(cures.every(({ detail }) => detail.includes('Warm tile stays as it is: it is there and is kept.'))).toBe(true)
})

it('the one bright work of a dark envelope is lit', () => {
  const dark = (...rows: (Operation | Operation[])[]) =>
    said(
      world.with(finish('Ink', '#2a2733', { surface: 'walls' }), ...rows, school('colours', 'envelope')),
      'envelope-unlit',
    )
  const painting = () => piece('Painting of snow', '#e9ecef')
  expect(dark(painting()).map(({ weight }) => weight)).toEqual(['note'])
  expect(dark(painting(), piece('Picture light', null))).toEqual([])
  expect(dark(piece('Painting of night', '#2c2a38'))).toEqual([])
  const light = world.with(finish('Chalk', '#f3efe6', { surface: 'walls' }), painting(), school('colours', 'envelope'))
  expect(said(light, 'envelope-unlit')).toEqual([])
})
