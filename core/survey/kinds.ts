/** The kinds of row of the survey. */
import {
  activities,
  bowings,
  corners,
  curves,
  fixtureKinds,
  hingeSides,
  openingKinds,
  passageKinds,
  swings,
} from '../makeover/choices.ts'
import { wallStuffs } from '../makeover/room-choices.ts'
import { choice, date, distance, flag, label, line, maybeLab, real, reference, row, size } from '../makeover/fields.ts'

export const surveyKinds = {
  /** What was measured of a room as a whole. Heights are of the ceiling, the dado and the picture rail above the floor. */
  survey: row(
    'survey',
    {
      roomId: reference('room'),
      heightMm: size(),
      dadoMm: size(),
      railMm: size(),
      /** The compass direction one looks in when facing the first wall. */ facesDeg: real(0, 360).nullable(),
      measuredOn: date().nullable(),
      note: line(500),
    },
    { once: ['roomId'] },
  ),
  /** A wall, in the order one walks round the room with its walls to the left: clockwise, seen from above. */
  wall: row('wall', {
    roomId: reference('room'),
    name: line(60),
    place: real(0, 1_000_000),
    /** Straight from corner to corner; null while it is not measured. */
    lengthMm: size(),
    /** The corner at its end. */
    corner: choice(corners),
    /** The angle of that corner inside the room. */
    cornerDeg: real(1, 359).nullable(),
    curve: choice(curves),
    curveMm: size(),
    /** Out of the room, or into it. */
    bows: choice(bowings),
    /** The height of the ceiling at its first corner, where corners differ. */
    heightMm: size(),
    madeOf: choice(wallStuffs),
  }),
  /** A part of the ceiling that comes down towards a wall: low at the wall, and up to full height so far from it. */
  slope: row('slope of the ceiling', { wallId: reference('wall'), lowMm: distance(20_000), runMm: real(1, 100_000) }),
  /** A length from corner to corner that is no wall. A corner is named by the wall that begins there. */
  diagonal: row('check measure', { fromId: reference('wall'), toId: reference('wall'), lengthMm: real(1, 100_000) }),
  /** A corner tested with a triangle: so far along the wall that ends there, so far along the next, and across between the marks. */
  squareTest: row(
    'corner test',
    { wallId: reference('wall'), alongMm: real(1, 100_000), nextMm: real(1, 100_000), acrossMm: real(1, 100_000) },
    { once: ['wallId'] },
  ),
  /** The clear width between two corners, or in a niche, as measured at one height: an alcove is narrowest where it is narrowest. */
  clearWidth: row('width at a height', {
    wallId: reference('wall'),
    openingId: reference('opening').nullable(),
    aboveMm: distance(20_000),
    widthMm: real(1, 100_000),
  }),
  /** From the wall's first corner, or from its last, to the near edge; sill and head above the floor. */
  opening: row('opening', {
    wallId: reference('wall'),
    what: choice(openingKinds),
    name: line(60),
    fromMm: distance(),
    fromEnd: flag(),
    widthMm: real(1, 100_000),
    sillMm: distance(20_000),
    headMm: real(1, 20_000),
    /** How deep its reveal is; of a niche, how deep it goes. */
    revealMm: size(),
    hinge: choice(hingeSides),
    swing: choice(swings),
    /** What can pass when it stands open. */
    clearMm: size(),
    /** What a window looks on to, as a colour of the room. */
    viewName: line(60),
    viewL: maybeLab.labL,
    viewA: maybeLab.labA,
    viewB: maybeLab.labB,
    /** It is round or oval within its width and its height. */
    round: flag(),
    /** The same opening, as it was measured in the next room. */
    sharesId: reference('opening', { deferred: true }).nullable(),
  }),
  /** A fixed thing on a wall, or off it: a point by its middle, a thing with a width by its near and lower edge. */
  fixture: row('fixed thing', {
    wallId: reference('wall'),
    what: choice(fixtureKinds),
    name: line(60),
    fromMm: distance(),
    fromEnd: flag(),
    aboveMm: distance(20_000),
    widthMm: size(),
    heightMm: size(),
    depthMm: size(),
    /** How far off the wall. */ outMm: distance(),
    note: line(300),
    /** It has to stay, and is wanted out of sight. */
    outOfSight: flag(),
  }),
  /** A stage of the way in, in order from the street, with its clear sizes. The depth is the second width of a turn, or a lift's. */
  passage: row('stage of the way in', {
    place: real(0, 1_000_000),
    what: choice(passageKinds),
    name: label(),
    widthMm: real(1, 100_000),
    heightMm: size(),
    depthMm: size(),
    note: line(500),
  }),
  /** A part of a room; where it is given, a rectangle off a wall. */
  zone: row('zone', {
    roomId: reference('room'),
    name: label(),
    wallId: reference('wall').nullable(),
    fromMm: distance().nullable(),
    widthMm: size(),
    depthMm: size(),
    /** What is done there; null where nobody said. */
    activity: choice(activities).nullable(),
  }),
}
