import { addLaid } from '../testing/laid.ts'
import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add, edit, type Documents, type Operation } from '../makeover/change.ts'
import { forbiddable } from '../makeover/choices.ts'
import { plainDate } from '../measure/plain-date.ts'
import { minor } from '../money/minor.ts'
import { practiceOf } from '../makeover/practice.ts'
import { chosenSchools, questions, schoolRules } from '../rulebook/schools.ts'
import { ruleIds } from '../rulebook/rulebook.ts'
import { reckon } from '../reckoning/reckon.ts'
import { begin, candidateOf, change, countingIds, pieceOf, testToday, tryChange } from '../testing/small-makeover.ts'
import { substitutes } from './constraints.ts'
import { keepBrief, readKept, recurring, scopeChoices, writeKept } from './index.ts'

const newId = countingIds()
const { ids, categories, start, operations } = begin(newId)
const [shelf, wired] = [newId(), newId()]
const planned = change(start, [
  ...operations,
  add(
    'piece',
    shelf,
    pieceOf(ids.room, categories.Furniture ?? '', { name: 'Shelf', chosenId: wired, chosenReason: 'Good' }),
  ),
  add('candidate', wired, candidateOf(shelf, ids.seller, { name: 'Pinned shelf', methods: 'drill' })),
  add('serving', newId(), { needId: ids.need, pieceId: shelf }),
])
const forbid = (forbids: (typeof forbiddable)[number]): Operation =>
  add('constraint', newId(), { roomId: null, reason: 'tenancy', forbids, note: '' })
const said = (documents: Documents, code: string) =>
  reckon(documents, testToday).remarks.filter((remark) => remark.code === code)
const permission = (
  answer: 'waiting' | 'yes' | 'no',
  restorePieceId: string | null = null,
  method: (typeof forbiddable)[number] = 'drill',
): Operation =>
  add('permission', newId(), {
    ...blank.permission,
    method,
    ask: 'May we?',
    askedOf: 'the owner',
    askedOn: testToday,
    answer,
    answeredOn: answer === 'waiting' ? null : testToday,
    restore: '',
    restorePieceId,
  })

describe('a constraint', () => {
  it('stops a method that is forbidden, and says what is usual instead', () => {
    const [stop] = said(change(planned, [forbid('drill')]), 'brief.forbidden')
    expect(stop).toMatchObject({ weight: 'stop', step: 'pieces' })
    expect(stop?.sentence).toContain('adhesive strips')
  })
  it('is silent on what needs nothing of the kind', () =>
    expect(said(change(planned, [forbid('paint')]), 'brief.forbidden')).toEqual([]))
  it.each([
    ['waiting', 'look'],
    ['no', 'stop'],
  ] as const)('with leave %s it is a %s', (answer, weight) =>
    expect(said(change(planned, [forbid('drill'), permission(answer)]), 'brief.forbidden')[0]?.weight).toBe(weight),
  )
  it('with leave given it is silent', () =>
    expect(said(change(planned, [forbid('drill'), permission('yes')]), 'brief.forbidden')).toEqual([]))
  it('a quality is looked at, never a stop', () => {
    const fragile = change(planned, [
      edit('candidate', planned.makeover.rows.candidate[wired] ?? ({} as never), { qualities: 'fragile' }),
      forbid('fragile'),
    ])
    expect(said(fragile, 'brief.forbidden')[0]?.weight).toBe('look')
  })
  it('paint passes where the school paints back, once putting it back is planned', () => {
    const wall = addLaid(newId(), {
      ...blank.finish,
      roomId: ids.room,
      name: 'Wall',
      role: 'dominant',
      family: 'paint',
      sheen: 'matt',
      labL: 60,
      labA: 0,
      labB: 10,
      colourSource: 'lab',
      usedFor: '',
      visibleM2: null,
      surface: 'walls',
      methods: 'paint',
    })
    const painted = change(planned, [
      ...[...wall, forbid('paint')],
      add('school', newId(), { question: 'tenant-walls', school: 'painted-back' }),
    ])
    expect(said(painted, 'brief.forbidden')).toHaveLength(1)
    const back = newId()
    const restored = change(painted, [
      add(
        'piece',
        back,
        pieceOf(ids.room, categories.Furniture ?? '', { name: 'Paint it back', allowanceMinor: minor(300_00) }),
      ),
      permission('waiting', back, 'paint'),
    ])
    expect(said(restored, 'brief.forbidden')).toEqual([])
    expect(reckon(restored, testToday).money.total.stillToBuy - reckon(painted, testToday).money.total.stillToBuy).toBe(
      300_00,
    )
  })
  it('has a usual substitute for everything it can forbid', () => {
    for (const word of forbiddable) expect(substitutes[word].length).toBeGreaterThan(0)
  })
})

describe('what stays', () => {
  const [chair, old, text] = [newId(), newId(), newId()]
  const kept = change(planned, [
    add(
      'piece',
      chair,
      pieceOf(ids.room, categories.Furniture ?? '', {
        name: 'Chair',
        categoryId: null,
        chosenId: old,
        chosenReason: 'It stays',
      }),
    ),
    add('candidate', old, {
      ...blank.candidate,
      pieceId: chair,
      sellerId: null,
      source: 'owned',
      name: 'Grandmother’s chair',
      keepReason: 'sentimental',
    }),
    add('serving', newId(), { needId: ids.need, pieceId: chair }),
  ])
  it('covers a need and costs nothing', () => {
    const reckoning = reckon(kept, testToday)
    expect(reckoning.money.pieces.find((piece) => piece.id === chair)).toMatchObject({
      basis: 'in hand',
      open: 0,
      stillToBuy: 0,
    })
    expect(reckoning.needs[0]?.covered).toBe(true)
  })
  it('needs a category as soon as it costs something', () => {
    const row = kept.makeover.rows.candidate[old] ?? ({} as never)
    expect(tryChange(kept, [edit('candidate', row, { workMinor: minor(1) })]).faults[0]).toMatchObject({
      field: 'categoryId',
    })
  })
  it('is said when a sentimental thing would be replaced', () => {
    const swapped = change(kept, [
      add('candidate', text, candidateOf(chair, ids.seller, { name: 'New chair' })),
      edit('piece', kept.makeover.rows.piece[chair] ?? ({} as never), {
        chosenId: text,
        categoryId: categories.Furniture ?? '',
      }),
    ])
    expect(said(swapped, 'pieces.keepsake-replaced')).toHaveLength(1)
    expect(said(kept, 'pieces.keepsake-replaced')).toEqual([])
  })
  it('goes back by its day', () => {
    const lent = change(kept, [
      edit('candidate', kept.makeover.rows.candidate[old] ?? ({} as never), {
        source: 'borrowed',
        keepReason: null,
        goBackOn: plainDate('2027-02-20'),
      }),
    ])
    expect(said(lent, 'brief.go-back-late')[0]?.sentence).toContain('9 days ago')
  })
})

describe('schools', () => {
  it('each question has two or more, all of other names, each with a sentence', () => {
    expect(questions).toHaveLength(29) // the rows of the handbook's table in section 10, and which wall is hung first
    for (const { schools } of questions) {
      expect(schools.length).toBeGreaterThanOrEqual(2)
      expect(new Set(schools.map((school) => school.id)).size).toBe(schools.length)
      for (const school of schools) expect(school.then).toMatch(/^[A-Z].*\.$/)
    }
  })
  it('override only rules that are there', () => {
    for (const { id, schools } of questions)
      for (const school of schools)
        for (const rule of Object.keys(schoolRules(chosenSchools([{ question: id, school: school.id }]))))
          expect(ruleIds).toContain(rule)
  })
  it('the makeover’s choice lies over the studio’s, and its own number over both', () => {
    const studio = change(planned, [
      add('studioSchool', newId(), { question: 'woods', school: 'mixed' }),
      add('studioRuling', newId(), { rule: 'dates.buffer', value: 10 }),
    ])
    expect(practiceOf(studio)).toMatchObject({
      schools: { woods: 'mixed' },
      chosen: ['woods'],
      rules: { 'clash.wood': 999, 'dates.buffer': 10 },
    })
    const own = change(studio, [
      add('school', newId(), { question: 'woods', school: 'one-undertone' }),
      add('ruling', newId(), { rule: 'dates.buffer', value: 3 }),
    ])
    expect(practiceOf(own).rules).toMatchObject({ 'clash.wood': 6, 'dates.buffer': 3 })
  })
})

describe('a signed brief', () => {
  const draft = countingIds(40_000)
  const open = begin(draft, { signed: false })
  const documents = change(open.start, open.operations)
  const agreement = documents.makeover.rows.agreement[open.ids.agreement] ?? ({} as never)
  const sign = (kept: string) => [
    edit('agreement', agreement, { signedById: open.ids.client, signedOn: testToday, kept }),
  ]
  const brief = keepBrief(documents, open.ids.agreement)
  if (!brief) throw new Error('the draft was made above')
  it('keeps the brief word for word, with the rules it was reckoned by', () => {
    const signed = change(documents, sign(writeKept(brief)))
    const kept = readKept(signed.makeover.rows.agreement[open.ids.agreement]?.kept ?? '')
    expect(kept?.rules['dates.buffer']).toBe(7)
    const later = change(signed, [
      add('ruling', draft(), { rule: 'dates.buffer', value: 30 }),
      add('need', draft(), {
        ...blank.need,
        roomId: open.ids.room,
        zoneId: null,
        name: 'Read',
        importance: 'must',
        who: '',
      }),
    ])
    expect(readKept(later.makeover.rows.agreement[open.ids.agreement]?.kept ?? '')).toEqual(kept)
  })
  it('refuses a brief that is not the one that stands', () => {
    expect(tryChange(documents, sign(writeKept({ ...brief, contingencyMinor: 1 }))).faults[0]).toMatchObject({
      code: 'kept',
    })
    expect(
      tryChange(documents, [
        ...sign(writeKept(brief)),
        add('need', draft(), {
          ...blank.need,
          roomId: open.ids.room,
          zoneId: null,
          name: 'Read',
          importance: 'must',
          who: '',
        }),
      ]).faults[0],
    ).toMatchObject({ code: 'kept' })
  })
  it('names nobody', () => expect(writeKept(brief)).not.toContain('A client'))
})

describe('the collection and the ways', () => {
  it('counts what recurs, once a clipping', () => {
    const collected = change(planned, [
      add('inspiration', newId(), { name: 'One', liked: '', materials: 'Oak, linen; oak', hues: 'rust', words: '' }),
      add('inspiration', newId(), { name: 'Two', liked: '', materials: 'oak ,  brass', hues: '', words: 'calm' }),
    ])
    expect(recurring(collected.makeover).materials).toEqual([
      { word: 'oak', clippings: ['One', 'Two'] },
      { word: 'brass', clippings: ['Two'] },
      { word: 'linen', clippings: ['One'] },
    ])
  })
  it('prices the ways side by side, and raises repainting that comes near to replacing', () => {
    const choice = newId()
    const way = (kind: 'cover' | 'repaint' | 'replace', cost: number, lifeYears: number, chosen = false) =>
      add('scopeOption', newId(), {
        choiceId: choice,
        way: kind,
        name: kind,
        costMinor: minor(cost),
        days: 1,
        lifeYears,
        methods: kind === 'repaint' ? 'paint' : '',
        chosen,
        pieceId: null,
      })
    const priced = change(planned, [
      add('scopeChoice', choice, { roomId: ids.room, name: 'Cabinets' }),
      way('replace', 2_000_00, 20),
      way('repaint', 1_700_00, 8, true),
      way('cover', 300_00, 3),
      forbid('paint'),
    ])
    const [reckoned] = scopeChoices(priced.makeover, practiceOf(priced))
    expect(reckoned?.ways.map((way) => [way.row.way, way.aboveLeast, way.perYear])).toEqual([
      ['cover', 0, 100_00],
      ['repaint', 1_400_00, 212_50],
      ['replace', 1_700_00, 100_00],
    ])
    expect(reckoned?.repaintShare).toBe(85)
    expect(reckoned?.ways[1]?.ruledOut.map((forbidden) => forbidden.word)).toEqual(['paint'])
    expect(said(priced, 'brief.repaint-near-replace')).toHaveLength(1)
    expect(tryChange(priced, [way('cover', 1, 1, true)]).faults[0]).toMatchObject({ code: 'chosen' })
  })
})
