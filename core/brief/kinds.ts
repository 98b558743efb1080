/** The kinds of row of the brief. */
import { ruleIds } from '../rulebook/rulebook.ts'
import { questionIds } from '../rulebook/schools.ts'
import { answers, constraintReasons, forbiddable, importances, methods, ways } from '../makeover/choices.ts'
import {
  choice,
  count,
  date,
  flag,
  label,
  line,
  money,
  quantity,
  real,
  reference,
  row,
  several,
} from '../makeover/fields.ts'

export const briefKinds = {
  need: row('need', {
    roomId: reference('room'),
    zoneId: reference('zone').nullable(),
    name: label(),
    importance: choice(importances),
    who: line(120),
    /** How much of it: metres of books, litres, pairs; null where it is not counted. */
    amount: quantity().nullable(),
    unit: line(20).meta({ words: false }),
    /** Until when it is needed: a child grows, a lease ends. */
    untilOn: date().nullable(),
    /** The client struck it out on that day. */
    struckOn: date().nullable(),
    struckReason: line(300),
  }),
  /** Who lives there, or works there: the height of their eyes, standing. */
  resident: row('person of the household', { name: label(80), eyeMm: real(500, 2200).nullable() }),
  ruling: row('rule', { rule: choice(ruleIds), value: real(-100_000, 100_000) }, { once: ['rule'] }),
  school: row('school', { question: choice(questionIds), school: label(60) }, { once: ['question'] }),
  constraint: row('constraint', {
    roomId: reference('room').nullable(),
    reason: choice(constraintReasons),
    forbids: choice(forbiddable),
    note: line(500),
  }),
  /** A picture or clipping: what is liked in it, and the materials, hues and words it speaks with, separated by commas. */
  inspiration: row('clipping', {
    name: label(),
    liked: line(500),
    materials: line(300),
    hues: line(300),
    words: line(300),
  }),
  category: row('category', { name: label(60), place: count(0, 1000) }),
  /** A version of the agreed budget: a draft until it is signed, then fixed. The first has no reason; a change has one. */
  agreement: row('agreed budget', {
    number: count(1, 1000),
    contingencyMinor: money(),
    signedById: reference('client').nullable(),
    signedOn: date().nullable(),
    reason: line(500),
    /** The brief as it was signed, with the rules it was reckoned by, as JSON; empty in a draft. */
    kept: line(200_000),
  }),
  agreementLine: row('sum for a category', {
    agreementId: reference('agreement'),
    categoryId: reference('category'),
    amountMinor: money(),
  }),
  /** Leave asked of an owner for something forbidden, and how it is put back. */
  permission: row('permission', {
    method: choice(forbiddable),
    ask: label(300),
    askedOf: line(120),
    askedOn: date(),
    answer: choice(answers),
    answeredOn: date().nullable(),
    restore: line(500),
    restorePieceId: reference('piece').nullable(),
    /** How many holes were allowed; null where nobody counted. */
    holes: count(0, 1000).nullable(),
  }),
  scopeChoice: row('choice of scope', { roomId: reference('room'), name: label() }),
  scopeOption: row('way of doing it', {
    choiceId: reference('scopeChoice'),
    way: choice(ways),
    name: label(),
    costMinor: money(),
    days: count(0, 1000),
    lifeYears: real(0.1, 200).nullable(),
    methods: several(methods),
    chosen: flag(),
    pieceId: reference('piece').nullable(),
  }),
}
