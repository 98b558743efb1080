/** What a practitioner would say of two finishes: common practice, in colours typical of such materials. And published pairs of one hue. */
import { converter } from 'culori'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { chroma, labFromLch, type Lab } from '../colour/lab.ts'
import { xyzOf } from '../colour/reflectance.ts'
import { add, type Operation } from '../makeover/change.ts'
import { families, type Family } from '../makeover/choices.ts'
import { effectiveRules } from '../rulebook/rulebook.ts'
import { codesOf, paletteWorld, reckoned } from '../testing/palette.ts'
import { clash, compare } from './compare.ts'
import { undertone } from './undertone.ts'

const rules = effectiveRules()
const swatch = (family: Family, L: number, C: number, h: number) => ({ family, lab: labFromLch(L, C, h) })

describe('undertones as practitioners judge them (common practice; typical colours, our own)', () => {
  it.each([
    [
      'red mahogany beside yellow pine: the classic mistake',
      swatch('wood', 34, 27, 45),
      swatch('wood', 70, 36, 76),
      true,
    ],
    [
      'pale oak beside smoked oak: depth is made within one undertone',
      swatch('wood', 72, 22, 76),
      swatch('wood', 38, 16, 74),
      false,
    ],
    [
      'walnut beside ebonised wood: a near-black wood stands with any',
      swatch('wood', 40, 20, 58),
      swatch('wood', 16, 2, 60),
      false,
    ],
    [
      'a cream beside a blue white: the cream looks dirty',
      swatch('paint', 93, 7, 92),
      swatch('paint', 93, 4, 250),
      true,
    ],
    [
      'a true white beside a cream: the cream looks dirty',
      swatch('paint', 96, 0.6, 100),
      swatch('paint', 92, 9, 90),
      true,
    ],
    [
      'a white and a deeper cream of one undertone agree',
      swatch('paint', 95, 3, 94),
      swatch('paint', 88, 9, 90),
      false,
    ],
    ['a pink beige beside a green beige', swatch('paint', 78, 8, 40), swatch('paint', 78, 9, 108), true],
    ['a warm grey beside a blue grey', swatch('paint', 62, 5, 78), swatch('textile', 60, 6, 252), true],
    [
      'a blue grey sofa before a blue grey wall, much deeper',
      swatch('textile', 40, 7, 248),
      swatch('paint', 72, 5, 244),
      false,
    ],
    [
      'a brass that leans pink beside one that leans green',
      swatch('metal', 70, 30, 73),
      swatch('metal', 68, 34, 95),
      true,
    ],
    [
      'two brasses of one lean, one polished and one aged',
      swatch('metal', 76, 38, 87),
      swatch('metal', 50, 24, 84),
      false,
    ],
    [
      'black iron beside brass: black metal matches easily',
      swatch('metal', 20, 1, 260),
      swatch('metal', 72, 34, 86),
      false,
    ],
    [
      'blue-green leaves beside yellow-green ones',
      swatch('greenery', 56, 22, 168),
      swatch('greenery', 60, 42, 112),
      true,
    ],
    ['fern beside ivy: greens of one side', swatch('greenery', 48, 36, 122), swatch('greenery', 36, 22, 128), false],
    [
      'a strong red beside a strong green stand for themselves',
      swatch('textile', 42, 50, 30),
      swatch('paint', 40, 30, 150),
      false,
    ],
  ])('%s', (_said, left, right, clashes) => {
    expect(clash(left, right, rules) !== null).toBe(clashes)
    expect(clash(right, left, rules) !== null).toBe(clashes)
  })
  it('polished nickel is warmer than chrome', () => {
    const [nickel, chrome] = [
      undertone('metal', labFromLch(77, 6, 86), rules),
      undertone('metal', labFromLch(80, 2.6, 248), rules),
    ]
    expect([nickel.warmth, chrome.warmth]).toEqual(['warm', 'cool'])
  })
})

describe('contrast as practitioners judge it (common practice; BS 8300-2 for 30 points of LRV, from memory)', () => {
  const world = paletteWorld()
  const { finish, piece } = world
  const room = (wall: string, ...more: (Operation | Operation[])[]) =>
    world.with(finish('Wall', wall, { surface: 'walls' }), ...more)
  const reads = (documents: ReturnType<typeof room>, name: string): string | undefined =>
    reckoned(documents).palette.standings.find((standing) => standing.id === world.idOf(name))?.reads
  it('a black frame before a white wall stands out; a cream chair before a cream wall is lost; a terracotta pot before sage is neither', () => {
    expect(reads(room('#f2efe6', piece('Frame', '#1c1c1c')), 'Frame')).toBe('stands out')
    expect(reads(room('#efe6d2', piece('Chair', '#ece2cc')), 'Chair')).toBe('disappears')
    expect(reads(room('#a3ab94', piece('Pot', '#b5694a')), 'Pot')).toBe('between')
  })
  it('a white door in a white wall cannot be told by people who see little, a dark blue one can', () => {
    const asked = { roomId: null, reason: 'access' as const, forbids: 'drill' as const, note: 'Sees little' }
    const door = (hex: string) =>
      codesOf(
        room('#f2efe6', finish('Door', hex, { surface: 'door' }), add('constraint', world.newId(), asked)),
      ).includes('palette.door')
    expect(door('#f7f7f4')).toBe(true)
    expect(door('#27384f')).toBe(false)
  })
  it('a cable cover is meant to hide, and is said only where it does not', () => {
    const cover = (hex: string) =>
      codesOf(room('#efe6d2', finish('Cover', hex, { surface: 'other', role: 'accent', hides: true }))).includes(
        'palette.before-wall',
      )
    expect([cover('#ece2cc'), cover('#20252a')]).toEqual([false, true])
  })
})

describe('published colours of one hue', () => {
  const { source, ...samples } = JSON.parse(
    readFileSync(new URL('./cie-13-3-samples.json', import.meta.url), 'utf8'),
  ) as Record<string, number[]> & { source: unknown }
  const reflectances = new Map(Object.entries(samples))
  const toLab = converter('lab65')
  const labOf = (name: string): Lab => {
    const [x, y, z] = xyzOf(reflectances.get(name) ?? [])
    const { l, a, b } = toLab({ mode: 'xyz65', x, y, z })
    return { L: l, a, b }
  }
  it(`are of the Munsell value they are named by (Y of value 6 is 30.05, of 8 is 59.10, of 4 is 12.00: ASTM D1535, memory)`, () => {
    expect(String(source)).toMatch(/CIE 13.3/)
    for (const [name, Y] of [
      ['5Y 6/4', 30.05],
      ['5GY 6/8', 30.05],
      ['5Y 8/10', 59.1],
      ['5GY 4/4', 12],
    ] as const)
      expect(Math.abs(100 * xyzOf(reflectances.get(name) ?? [])[1] - Y)).toBeLessThan(2)
  })
  it.each([
    ['5Y 6/4', '5Y 8/10'],
    ['5GY 6/8', '5GY 4/4'],
  ])(
    'Munsell %s and %s differ in depth and strength, and never clash for it, whatever they are made of',
    (left, right) => {
      expect(Math.abs(chroma(labOf(left)) - chroma(labOf(right)))).toBeGreaterThan(15)
      for (const family of families)
        expect([family, clash({ family, lab: labOf(left) }, { family, lab: labOf(right) }, rules)]).toEqual([
          family,
          null,
        ])
    },
  )
})

describe('two finishes in words, from ΔL*, ΔC*, ΔH* and the undertones', () => {
  it.each([
    [
      swatch('ceramic', 90, 5, 15),
      swatch('paint', 93, 6, 95),
      'A pinker and slightly darker white: pink beside yellow.',
    ],
    [swatch('paint', 94, 3, 94), swatch('paint', 88, 9, 90), 'A lighter and slightly greyer white.'],
    [
      swatch('paint', 92, 9, 90),
      swatch('paint', 96, 0.6, 100),
      'A yellower and slightly darker white: yellow beside no cast.',
    ],
    [swatch('wood', 34, 27, 45), swatch('wood', 70, 36, 76), 'A redder, much darker and greyer wood.'],
    [swatch('metal', 70, 30, 95), swatch('metal', 70, 30, 75), 'A greener yellow metal.'],
    [swatch('greenery', 48, 30, 150), swatch('greenery', 48, 30, 120), 'A bluer green.'],
    [
      swatch('textile', 30, 22, 334),
      swatch('textile', 60, 24, 140),
      'A deep violet beside a green: more violet and much darker.',
    ],
    [swatch('paint', 60, 6, 80), swatch('paint', 60, 6.2, 80), 'A yellow beige beside its match.'],
  ] as const)('%o beside %o: %s', (left, right, sentence) =>
    expect(compare(left, right, rules).sentence).toBe(sentence),
  )
  it.each([
    [0.5, /No one/],
    [1.5, /trained eye/],
    [4, /Anyone sees it, side by side/],
    [8, /even apart/],
    [12, /at a glance/],
  ])('a difference of ΔE %d is seen so (common practice)', (difference, words) => {
    // greys apart in lightness alone: the ΔE00 is found by trying
    const grey = (L: number) => swatch('paint', L, 0, 0)
    const L =
      Array.from({ length: 4000 }, (_, at) => 50 + at / 100).find(
        (light) => compare(grey(light), grey(50), rules).deltaE >= difference,
      ) ?? 50
    expect(compare(grey(L), grey(50), rules).seen).toMatch(words)
  })
})
