import { describe, expect, it } from 'vitest'
import { apply, type Documents } from '../makeover/change.ts'
import { byId } from '../makeover/by-id.ts'
import { add, edit } from '../makeover/change.ts'
import { headOf } from '../makeover/document.ts'
import type { Fields, Row } from '../makeover/kinds.ts'
import { addDays } from '../measure/plain-date.ts'
import { minor } from '../money/minor.ts'
import { paletteWorld } from '../testing/palette.ts'
import { demoDocuments } from '../testing/demos.ts'
import { begin, candidateOf, change, countingIds, pieceOf, testToday } from '../testing/small-makeover.ts'
import { guard } from './guards.ts'
import { reckon, type Reckoning } from './reckon.ts'
import { remediesFor, remedyWords, wayFrom } from './remedies.ts'

const newId = countingIds()
const world = paletteWorld()
const { ids, categories, start, operations } = begin(newId)
const [piece, candidate] = [newId(), newId()]

/** A chair of 700 × 620 × 900 in a place of 600 × 700 × 1000. */
const tight: Documents = change(start, [
  ...operations,
  add(
    'piece',
    piece,
    pieceOf(ids.room, categories.Furniture ?? '', { chosenId: candidate, widthMm: 600, depthMm: 700, heightMm: 1000 }),
  ),
  add(
    'candidate',
    candidate,
    candidateOf(piece, ids.seller, { widthMm: 620, depthMm: 760, heightMm: 900, priceMinor: minor(100_00) }),
  ),
])
const cured = (documents: Documents, code: string, which = 0) => {
  const before = reckon(documents, testToday)
  const remark = before.remarks.find((found) => found.code === code)
  if (!remark) throw new Error(`${code} is not said`)
  const remedy = remediesFor(remark, documents.makeover, before, newId)[which]
  if (!remedy) throw new Error(`nothing cures ${code}`)
  const applied = apply(documents, remedy.operations, newId())
  expect(applied.faults).toEqual([])
  expect(guard(documents, applied.documents, testToday)).toEqual([])
  const after = reckon(applied.documents, testToday)
  expect(after.remarks.map(({ key }) => key)).not.toContain(remark.key)
  return applied.documents
}

const off = ({ palette }: Reckoning): number => palette.balance.roles.reduce((sum, role) => sum + role.off, 0)

describe('a remedy cures its remark', () => {
  it('gives a piece the room it takes, and no more than that', () => {
    const row = byId(Object.values(cured(tight, 'pieces.too-large').makeover.rows.piece), piece)
    expect(row).toMatchObject({ widthMm: 620, depthMm: 760, heightMm: 1000 })
  })
  it('says what a piece serves: what nothing serves yet stands first', () => {
    const after = cured(tight, 'pieces.serves-nothing')
    expect(Object.values(after.makeover.rows.serving)).toMatchObject([{ needId: ids.need, pieceId: piece }])
  })
  it('of every remark of the demo that has a word for it, unless nothing is free to change', () => {
    let count = 0
    for (const documents of demoDocuments()) {
      const before = reckon(documents, testToday)
      for (const remark of before.remarks.filter((found) => remedyWords(found) !== null))
        for (const remedy of remediesFor(remark, documents.makeover, before, newId).slice(0, 1)) {
          const applied = apply(documents, remedy.operations, newId())
          expect(applied.faults).toEqual([])
          const after = reckon(applied.documents, testToday)
          // shares are brought nearer, as near as what may change allows
          if (remark.code === 'palette.balance') expect(off(after)).toBeLessThan(off(before))
          else expect(after.remarks.map(({ key }) => key)).not.toContain(remark.key)
          count++
        }
    }
    expect(count).toBeGreaterThan(0)
  }, 180_000)
})

describe('a remedy of the palette', () => {
  const { finish, school, with: laid } = world
  it('gives trim the colour of its wall, where the school has them one', () => {
    const after = cured(
      laid(
        finish('Chalk wall', '#e8e4da', { surface: 'walls' }),
        finish('Dark trim', '#4a4a48', { surface: 'trim', role: 'secondary' }),
        school('trim', 'same'),
      ),
      'palette.trim',
    )
    const [wall, trim] = ['Chalk wall', 'Dark trim'].map((name) =>
      Object.values(after.makeover.rows.finish).find((row) => row.name === name),
    )
    expect([trim?.labL, trim?.labA, trim?.labB]).toEqual([wall?.labL, wall?.labA, wall?.labB])
  })
  it('lets what was to be camouflaged stay as it is, where it stands out all the same', () => {
    const after = cured(
      laid(
        finish('Pale wall', '#e8e4da', { surface: 'walls' }),
        finish('Dark door', '#2a2018', { surface: 'door', role: 'secondary', fate: 'camouflage', condition: 'good' }),
      ),
      'palette.before-wall',
    )
    expect(Object.values(after.makeover.rows.finish).find((row) => row.name === 'Dark door')?.fate).toBe('keep')
  })
  it('says of a thing that is lost before its wall that it is meant to hide', () => {
    const after = cured(
      laid(
        finish('Moss wall', '#6b7a58', { surface: 'walls' }),
        finish('Moss chair', '#6b7a58', { surface: 'piece', role: 'accent', visibleM2: 1 }),
      ),
      'palette.before-wall',
    )
    expect(Object.values(after.makeover.rows.finish).find((row) => row.name === 'Moss chair')?.hides).toBe(true)
  })
})

describe('a remedy of a piece or the brief', () => {
  it('plans a piece for a need that nothing serves', () => {
    const after = cured(tight, 'brief.need-unserved')
    const [serving] = Object.values(after.makeover.rows.serving)
    expect(serving?.needId).toBe(ids.need)
    expect(after.makeover.rows.piece[serving?.pieceId ?? '']?.allowanceMinor).toBe(0)
  })
  it('chooses of what comes in time the one that comes last, and never one that was turned down', () => {
    const [soon, sooner, away] = [newId(), newId(), newId()]
    const head = headOf(tight.makeover)
    if (!head) throw new Error('a makeover has a head')
    const offer = (leadDays: number, fields: Partial<Fields<'candidate'>> = {}) =>
      candidateOf(piece, ids.seller, { leadDays, priceMinor: minor(100_00), ...fields })
    const late = change(tight, [
      edit('makeover', head, { installOn: addDays(testToday, 30) }),
      edit('candidate', tight.makeover.rows.candidate[candidate] as Row<'candidate'>, { leadDays: 90 }),
      add('candidate', soon, offer(9)),
      add('candidate', sooner, offer(2)),
      add('candidate', away, offer(10, { turnedDown: 'Too low' })),
    ])
    expect(cured(late, 'pieces.late').makeover.rows.piece[piece]?.chosenId).toBe(soon)
  })
  it('has a stand-in looked at again on the install date', () => {
    const head = headOf(tight.makeover)
    if (!head) throw new Error('a makeover has a head')
    const standIn = change(tight, [
      edit('makeover', head, { installOn: addDays(testToday, 60) }),
      edit('candidate', tight.makeover.rows.candidate[candidate] as Row<'candidate'>, { source: 'placeholder' }),
    ])
    expect(cured(standIn, 'pieces.placeholder-undated').makeover.rows.candidate[candidate]?.lookAgainOn).toBe(
      addDays(testToday, 60),
    )
  })
})

it('what no change set cures alone says where it is done', () => {
  const over = change(start, [
    ...operations,
    add('piece', newId(), pieceOf(ids.room, categories.Furniture ?? '', { allowanceMinor: minor(99_999_00) })),
  ])
  const stop = reckon(over, testToday).remarks[0]
  expect(stop && wayFrom(stop)).toMatchObject({ step: 'brief' })
  expect(stop && remedyWords(stop)).toBeNull()
})
