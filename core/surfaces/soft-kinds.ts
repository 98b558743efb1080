/** The kinds of row of soft goods: what hangs before a window, and what is made from its own measures. */
import { darkness, dressings, falls, headings, linings, railings } from '../makeover/dressing-choices.ts'
import {
  choice,
  count,
  distance,
  flag,
  label,
  line,
  money,
  quantity,
  real,
  reference,
  row,
  size,
} from '../makeover/fields.ts'

export const softKinds = {
  /** What hangs before a window; several hang one before the other in the order of their places, the nearest to the glass first. */
  dressing: row('dressing of a window', {
    openingId: reference('opening'),
    place: real(0, 1_000_000),
    what: choice(dressings),
    /** The cloth as it looks. */
    finishId: reference('finish').nullable(),
    /** The line to buy: its cloth, or the blind as it is bought. */
    pieceId: reference('piece').nullable(),
    hung: choice(railings),
    /** Within the recess of the window; else before the wall. */
    inside: flag(),
    /** Along the whole bay that the window is in. */
    roundBay: flag(),
    heading: choice(headings),
    /** Times the width it covers; null for the middle of what its heading takes. */
    fullness: real(1, 4).nullable(),
    falls: choice(falls),
    pair: flag(),
    lining: choice(linings),
    /** A stripe or a motif lies whole in its middle. */
    centred: flag(),
    /** Decided by hand: the length of the pole or track, its height, and back to the wall at each end; null for as the rules give. */
    trackMm: size(),
    atMm: size(),
    returnMm: distance(500).nullable(),
    /** How deep the head-rail of a blind is that stays behind it; null where none stays. */
    staysMm: distance(500).nullable(),
    /** From the wall to the middle of the pole, as its brackets are sold; null for what it needs. */
    standOffMm: distance(500).nullable(),
    /** How dark the room is wanted; null for by who sleeps there. */
    dark: choice(darkness).nullable(),
    note: line(300),
  }),
  /** One way of making a thing, reckoned from its own measures; of several tries of a piece one counts. */
  making: row('way of making', {
    pieceId: reference('piece'),
    place: real(0, 1_000_000),
    name: label(80),
    /** Which calculator reckons it. */
    calculator: line(40).meta({ words: false }),
    counts: flag(),
    /** The line to buy of its cloth or its moulding. */
    clothId: reference('piece').nullable(),
    /** The cloth as it looks, and that of what is made of a second one. */
    finishId: reference('finish').nullable(),
    secondId: reference('finish').nullable(),
    hours: quantity().nullable(),
    rateMinor: money(),
    hireMinor: money(),
    boughtMinor: money(),
    note: line(300),
  }),
  /** What was typed of one thing that is asked: a length in mm, a number, a word; several lengths are parted by blanks. */
  measure: row('measure', {
    makingId: reference('making'),
    asked: label(40).meta({ words: false }),
    answer: line(300).meta({ words: false }),
  }),
  /** What has to be had for it, sold in packs; what is left over at home goes in first. */
  supply: row('supply', {
    makingId: reference('making'),
    name: label(80),
    needed: quantity(),
    unit: line(20).meta({ words: false }),
    atHome: real(0, 100_000),
    packSize: quantity(),
    packMinor: money(),
    place: count(0, 1000),
  }),
}
