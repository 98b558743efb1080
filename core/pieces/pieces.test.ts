import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { labFromHex } from '../colour/lab.ts'
import { blank } from '../makeover/blank.ts'
import { add, edit, type Documents } from '../makeover/change.ts'
import { sources } from '../makeover/choices.ts'
import { plainDate } from '../measure/plain-date.ts'
import { minor } from '../money/minor.ts'
import { plainPractice } from '../makeover/practice.ts'
import { reckon } from '../reckoning/reckon.ts'
import { begin, candidateOf, change, countingIds, pieceOf, testToday } from '../testing/small-makeover.ts'
import { compareCandidates, differences, fitOf, scoreOf, sourceNeeds } from './index.ts'

const { rules } = plainPractice
const size = (widthMm: number | null, depthMm: number | null, heightMm: number | null) => ({
  widthMm,
  depthMm,
  heightMm,
})

describe('fit', () => {
  it.each([
    ['within it', size(600, 400, 700), size(590, 400, 700), 'fits'],
    ['turned round', size(600, 400, null), size(400, 600, null), 'fits, turned round'],
    ['a shade over, as inches are', size(457, null, null), size(457.2, null, null), 'fits'], // 18 in is 457.2 mm; 3 mm of grace
    ['too large', size(600, 400, 700), size(640, 400, 700), '40\u00a0mm too large'],
    ['too high', size(600, 400, 700), size(600, 400, 760), '60\u00a0mm too high'],
    ['not measured', size(600, null, null), size(null, 400, null), 'not measured'],
  ])('%s', (_name, room, thing, words) => expect(fitOf(room, thing, rules).words).toBe(words))
  it('says by how much in the units of the makeover', () =>
    expect(fitOf(size(914.4, null, null), size(1016, null, null), rules, 'feet and inches').words).toBe('4" too large'))
  it('a thing that fits still fits a larger room', () => {
    const side = fc.integer({ min: 100, max: 3000 })
    fc.assert(
      fc.property(side, side, side, side, side, side, (w, d, h, a, b, c) => {
        if (fitOf(size(w, d, h), size(a, b, c), rules).is === 'fits')
          expect(fitOf(size(w + 10, d + 10, h + 10), size(a, b, c), rules).is).toBe('fits')
      }),
    )
  })
})

const newId = countingIds()
const world = begin(newId)
const { ids, categories } = world
const [lamp, good, late, banned, finish] = [newId(), newId(), newId(), newId(), newId()]
const brass = labFromHex('#b79a5c') ?? { L: 0, a: 0, b: 0 }
const colour = { labL: brass.L, labA: brass.a, labB: brass.b }
const documents: Documents = change(world.start, [
  ...world.operations,
  add('constraint', newId(), { roomId: null, reason: 'tenancy', forbids: 'wire in', note: '' }),
  add(
    'piece',
    lamp,
    pieceOf(ids.room, categories.Furniture ?? '', {
      name: 'Lamp',
      allowanceMinor: minor(200_00),
      widthMm: 400,
      heightMm: 600,
    }),
  ),
  add('finish', finish, {
    ...blank.finish,
    roomId: ids.room,
    name: 'Brass',
    role: 'accent',
    family: 'metal',
    sheen: 'satin',
    ...colour,
    colourSource: 'hex',
    usedFor: '',
    visibleM2: 1,
  }),
  add(
    'candidate',
    good,
    candidateOf(lamp, ids.seller, {
      name: 'Good',
      priceMinor: minor(100_00),
      taxPpm: 0,
      ...colour,
      widthMm: 300,
      heightMm: 500,
      lifeYears: 10,
      returnDays: 30,
      leadDays: 10,
    }),
  ),
  add(
    'candidate',
    late,
    candidateOf(lamp, ids.seller, {
      name: 'Late',
      priceMinor: minor(190_00),
      taxPpm: 0,
      leadDays: 200,
      returnDays: null,
      widthMm: 900,
      lifeYears: 5,
    }),
  ),
  add(
    'candidate',
    banned,
    candidateOf(lamp, ids.seller, {
      name: 'Banned',
      priceMinor: minor(80_00),
      taxPpm: 0,
      methods: 'wire in',
      ...colour,
      leadDays: 1,
    }),
  ),
])
const piece = documents.makeover.rows.piece[lamp] ?? ({} as never)
const compared = compareCandidates(documents.makeover, documents.studio, piece, rules, testToday)

describe('candidates', () => {
  it('are compared on what can be computed, what is ruled out last', () => {
    expect(compared.map((candidate) => candidate.row.name)).toEqual(['Good', 'Late', 'Banned'])
    expect(compared[0]).toMatchObject({
      against: 100_00,
      perYear: 10_00,
      tied: 1,
      clashes: 0,
      fit: { is: 'fits' },
      ruledOut: [],
    })
    expect(compared[1]).toMatchObject({ fit: { is: 'too large' }, perYear: 38_00 })
    expect(compared[1]?.slackDays).toBeLessThan(0)
    expect(compared[2]?.ruledOut.map((forbidden) => forbidden.word)).toEqual(['wire in'])
  })
  it('score by the weighted mean of what is known, and shows each part of it; what may not be is not weighed', () => {
    for (const candidate of compared) {
      const known = candidate.marks.filter((mark) => mark.score !== null)
      const weight = known.reduce((total, mark) => total + mark.weight, 0)
      const mean = (100 * known.reduce((total, mark) => total + (mark.score ?? 0) * mark.weight, 0)) / weight
      expect(candidate.score).toBeCloseTo(candidate.row.name === 'Banned' ? 0 : mean, 9)
    }
    expect(scoreOf([])).toBe(0)
  })
  it('a heavier weight on what one does best never lowers it against the other', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 0, max: 4 }), (more, less) => {
        const lead = (weight: number): number => {
          const [left, right] = compareCandidates(
            documents.makeover,
            documents.studio,
            piece,
            { ...rules, 'compare.weight-time': weight },
            testToday,
          ).filter((compareCandidate) => compareCandidate.row.name !== 'Banned')
          return (left?.score ?? 0) - (right?.score ?? 0)
        }
        if (more > less) expect(lead(more)).toBeGreaterThanOrEqual(lead(less) - 1e-9)
      }),
    )
  })
  it('that were turned down stay on record, at the end', () => {
    const down = change(documents, [
      edit('candidate', documents.makeover.rows.candidate[good] ?? ({} as never), { turnedDown: 'Too shiny' }),
    ])
    expect(compareCandidates(down.makeover, down.studio, piece, rules, testToday).at(-1)?.row).toMatchObject({
      name: 'Good',
      turnedDown: 'Too shiny',
    })
  })
})

describe('a substitution', () => {
  it('tells every difference, and nothing that is alike', () => {
    const [start, to] = [compared[0], compared[1]]
    if (!start || !to) throw new Error('there are three')
    const told = new Map(
      differences(documents.makeover, start, to, 'EUR', rules).map((difference) => [
        difference.what,
        [difference.from, difference.to],
      ]),
    )
    expect(told.get('Landed, for all')).toEqual(['100.00', '190.00'])
    expect(told.get('Lead time')).toEqual(['10 days', '200 days'])
    expect(told.get('To return')).toEqual(['30 days from delivery', 'final sale'])
    expect(told.get('Fit')).toEqual(['fits', '500\u00a0mm too large'])
    expect(told.has('From')).toBe(false)
    expect(differences(documents.makeover, start, start, 'EUR', rules)).toEqual([])
  })
})

describe('sources', () => {
  it('each says what it is', () => {
    for (const source of sources) expect(sourceNeeds[source].says).toMatch(/\.$/)
  })
  it('made counts materials and hours, rented counts its periods', () => {
    const made = change(documents, [
      edit('candidate', documents.makeover.rows.candidate[good] ?? ({} as never), {
        source: 'made',
        priceMinor: minor(40_00),
        hours: 2.5,
        hourMinor: minor(30_00),
        workMinor: minor(5_00),
        deliveryMinor: minor(0),
      }),
    ])
    expect(
      compareCandidates(made.makeover, made.studio, piece, rules, testToday).find(
        (compareCandidate) => compareCandidate.row.id === good,
      )?.landed,
    ).toMatchObject({ goods: 40_00, work: 80_00, landed: 120_00 })
    const rented = change(documents, [
      edit('candidate', documents.makeover.rows.candidate[good] ?? ({} as never), {
        source: 'rented',
        priceMinor: minor(12_00),
        periods: 6,
      }),
    ])
    expect(
      compareCandidates(rented.makeover, rented.studio, piece, rules, testToday).find(
        (compareCandidate) => compareCandidate.row.id === good,
      )?.landed.goods,
    ).toBe(72_00)
  })
})

describe('what needs a hand', () => {
  const lines = (documents: Documents, on = testToday) =>
    reckon(documents, on).attention.map((attention) => `${attention.kind}: ${attention.title}`)
  it('asks to decide in time for the quickest candidate and the client’s answer, then to order', () => {
    // wanted 25 May (1 June less 7 days); the quickest takes a day, the client three: decide by 21 May
    expect(lines(documents, plainDate('2027-05-13'))).not.toContain('decide by: Lamp')
    expect(lines(documents, plainDate('2027-05-14'))).toContain('decide by: Lamp')
    const chosen = change(documents, [edit('piece', piece, { chosenId: good, chosenReason: 'Good' })])
    expect(lines(chosen, plainDate('2027-05-08'))).toContain('order by: Lamp') // 25 May less 10 days is 15 May, a week ahead
    expect(lines(chosen, plainDate('2027-05-07'))).not.toContain('order by: Lamp')
  })
  it('keeps what waits for an answer until it comes', () => {
    const question = {
      pieceId: lamp,
      candidateId: null,
      ask: 'Which?',
      askedOn: testToday,
      neededBy: null,
      answerNote: '',
      answeredById: null,
    }
    const asked = change(documents, [add('question', newId(), { ...question, answer: 'waiting', answeredOn: null })])
    expect(lines(asked)).toContain('answer waiting: Which?')
    expect(
      lines(change(documents, [add('question', newId(), { ...question, answer: 'yes', answeredOn: testToday })])),
    ).not.toContain('answer waiting: Which?')
  })
})
