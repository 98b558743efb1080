/** The kinds of row of the surfaces: where a finish lies and how it is done, and what it is sold in. */
import { groundings, hows, layouts, matches, preparations, profiles, treatables } from '../makeover/choices.ts'
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
  several,
  size,
} from '../makeover/fields.ts'
import { softKinds } from './soft-kinds.ts'

export const surfaceKinds = {
  /** A finish of the palette on surfaces of its room, and how it is done there. Where it lies are its treated surfaces. */
  treatment: row('treatment', {
    finishId: reference('finish'),
    place: real(0, 1_000_000),
    how: choice(hows),
    /** The line to buy, whose chosen candidate says what it is sold in. */
    pieceId: reference('piece').nullable(),
    /** It is only thought of, in place of another one; what is thought of counts nowhere. */
    insteadOfId: reference('treatment').nullable(),
    /** How tiles are laid. */
    layout: choice(layouts),
    /** Tiles on their side; boards, carpet and sheet across the first wall rather than along it. */
    turned: flag(),
    /** Where the first strip begins along the walls, or by how much a tile's corner is moved from the middle, in mm. */
    startMm: real(-100_000, 100_000),
    upMm: real(-100_000, 100_000),
    /** Offcuts are used again. */
    reuse: flag(),
    /** Coats that were decided; null for as many as are usual. */
    coats: count(1, 9).nullable(),
    /** What goes under it; "as proposed" goes by what is there. */
    under: choice(groundings),
    /** The joint that was decided; null for what the tile asks. */
    jointMm: distance(100).nullable(),
    /** What is left from elsewhere and goes in first, in the unit it is counted in. */
    leftOver: real(0, 100_000),
    /** Where the leftover comes from. */
    leftFrom: line(120),
    /** How many panels on each wall; null for as many as its rule gives. */
    panels: count(1, 60).nullable(),
    /** Between panels, and between panels and what is round them; null for as its rule gives. */
    gapMm: distance(2000).nullable(),
    profile: choice(profiles).nullable(),
    /** Of hard ground: the slab, what is under it, and how far apart its joints are; null for as the rules give. */
    thickMm: size(),
    baseMm: distance(2000).nullable(),
    everyMm: size(),
    /** Proposed preparation that is not done. */
    leaveOut: several(preparations),
    note: line(300),
  }),
  /** One surface of the room that a treatment covers, or a part of it; null for all of it. */
  treatedPart: row('treated surface', {
    treatmentId: reference('treatment'),
    surface: choice(treatables),
    /** The one wall it is on; null for all of its surface. */
    wallId: reference('wall').nullable(),
    /** The niche, door or window it is on. */
    openingId: reference('opening').nullable(),
    /** The band of height it covers; null for from the floor, and to the ceiling. */
    bandFromMm: distance(20_000).nullable(),
    bandToMm: size(),
    /** The stretch along its wall; null for from its first corner, and to its last. */
    alongFromMm: distance().nullable(),
    alongToMm: size(),
  }),
  /** What a candidate for a surface is made up of. What it says nothing of is null. */
  makeUp: row(
    'make-up',
    {
      candidateId: reference('candidate'),
      /** m² a litre and coat, as the tin says. */
      rateM2: real(0.1, 100).nullable(),
      coats: count(1, 9).nullable(),
      /** Of a roll, a tile, a board, a carpet as it is sold. */
      widthMm: size(),
      lengthMm: size(),
      thickMm: size(),
      repeatMm: size(),
      match: choice(matches),
      /** By how much each strip steps down, where the match is offset. */
      offsetMm: distance(100_000).nullable(),
      jointMm: distance(100).nullable(),
      /** What one saw cut takes. */
      kerfMm: distance(20).nullable(),
    },
    { once: ['candidateId'] },
  ),
  /** A further size a candidate is sold in, with its price: a tin, a stock length, a roll width. */
  saleSize: row('size it is sold in', {
    candidateId: reference('candidate'),
    name: label(60),
    /** In the unit that its piece is counted in. */
    holds: quantity(),
    priceMinor: money(),
    /** Of a roll as it is sold, or of a stock length. */
    widthMm: size(),
    lengthMm: size(),
    /** How many of it are to be bought. */
    wanted: count(0, 100_000),
  }),
  /** A small thing of the job: proposed and changed, or added by hand. */
  sundry: row('small thing', {
    roomId: reference('room'),
    /** Which of the proposed ones it stands for; empty for one of our own. */
    stands: line(40).meta({ words: false }),
    name: label(120),
    quantity: distance(100_000),
    unit: line(20).meta({ words: false }),
    /** It is in hand, and not to be bought. */
    have: flag(),
    pieceId: reference('piece').nullable(),
  }),
  ...softKinds,
}
