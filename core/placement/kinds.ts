/** The kinds of row of the placement: layouts of a room, where each thing stands in one, its footprint, and what opens. */
import { fixings, footprints, stuffs } from '../makeover/choices.ts'
import { displays, lampSpreads } from '../makeover/room-choices.ts'
import { choice, count, distance, flag, label, line, maybeLab, real, reference, row, size } from '../makeover/fields.ts'

const place = () => real(-1_000_000, 1_000_000)

export const placementKinds = {
  /** One way to furnish a room. Of those of a room one is in force. */
  layout: row('layout', { roomId: reference('room'), name: label(60), place: place(), inForce: flag() }),
  /** One thing of a piece where it stands in a layout: its middle in the plan of its room, in mm, turned counterclockwise. */
  standing: row(
    'place',
    {
      layoutId: reference('layout'),
      pieceId: reference('piece'),
      /** Which of several, from 1. */
      number: count(1, 1000),
      xMm: place(),
      yMm: place(),
      turnDeg: real(0, 360),
      /** It stays where it is, whoever arranges. */
      pinned: flag(),
    },
    { once: ['layoutId', 'pieceId', 'number'] },
  ),
  /** What of a piece meets the floor, and the room it needs about it. What is null goes by what the piece is. */
  footprint: row(
    'footprint',
    {
      pieceId: reference('piece'),
      shape: choice(footprints),
      /** Of an L: how much is missing at its front right. */
      notchWidthMm: size(),
      notchDepthMm: size(),
      /** Of a drawn one: its corners from its back left, "0 0, 900 0, …", in mm. */
      points: line(2000).meta({ words: false }),
      /** How high what is under it stays clear, and how far its legs stand in from its edge. */
      clearUnderMm: size(),
      legsInMm: distance(5000).nullable(),
      /** Room that is needed at its sides, to use it. */
      frontMm: distance(5000).nullable(),
      backMm: distance(5000).nullable(),
      leftMm: distance(5000).nullable(),
      rightMm: distance(5000).nullable(),
      /** How long its lead is. */
      leadMm: size(),
      /** As it is carried in. */
      packedWidthMm: size(),
      packedDepthMm: size(),
      packedHeightMm: size(),
      /** By how much it is lower with its legs off; null where they stay on. */
      legsOffMm: size(),
    },
    { once: ['pieceId'] },
  ),
  /** A way a thing opens: how much further it reaches on each side. */
  openState: row('open state', {
    pieceId: reference('piece'),
    name: label(60),
    frontMm: distance(10_000),
    backMm: distance(10_000),
    leftMm: distance(10_000),
    rightMm: distance(10_000),
    /** How high it is when it is open; null for as it is. */
    heightMm: size(),
  }),
  /** One thing of a piece where it hangs: its middle along a wall from the wall's first corner, and above the floor, in mm. */
  hanging: row(
    'place on a wall',
    {
      pieceId: reference('piece'),
      /** Which of several, from 1. */
      number: count(1, 1000),
      wallId: reference('wall'),
      alongMm: place(),
      centreMm: place(),
      /** Why it hangs off the line. */
      why: line(200),
      /** What hangs as one bears one name; empty for what hangs alone. */
      groupName: line(60).meta({ words: false }),
    },
    { once: ['pieceId', 'number'] },
  ),
  /** How a piece is held on a wall. What is null nobody measured or read. */
  fixing: row(
    'fixing',
    {
      pieceId: reference('piece'),
      method: choice(fixings),
      /** Hooks, or pairs of strips. */
      hooks: count(1, 40),
      /** From its top down to where a hook takes it: the wire pulled tight. */
      dropMm: distance(5000).nullable(),
      /** Between the outer hooks. */
      spreadMm: distance(10_000).nullable(),
      /** What one pair of strips bears, in kg, as its packet says. */
      stripKg: real(0.01, 100).nullable(),
    },
    { once: ['pieceId'] },
  ),
  /** What a candidate gives as a lamp, all its bulbs together, as its packet says. What is null nobody read. */
  lamp: row(
    'lamp',
    {
      candidateId: reference('candidate'),
      lumens: real(1, 200_000),
      kelvin: real(1000, 20_000).nullable(),
      spread: choice(lampSpreads),
      /** Of a beam, its whole angle. */
      beamDeg: real(2, 178).nullable(),
      /** From its lower end up to its light. */
      sourceMm: size(),
      dims: flag(),
      /** The second figure of its IP mark: what water it bears. */
      water: count(0, 9).nullable(),
    },
    { once: ['candidateId'] },
  ),
  /** The boards of a shelf, a bookcase or a mantel: the height of each above its lower end, in mm, "0, 350, 700". */
  shelving: row(
    'shelving',
    { pieceId: reference('piece'), heights: line(300).meta({ words: false }) },
    { once: ['pieceId'] },
  ),
  /** A thing that stands on a board, a mantel, a table top or a tray: its middle from the left end, in mm. */
  showpiece: row('thing on show', {
    pieceId: reference('piece'),
    /** Which board, from 1 below. */
    board: count(1, 40),
    alongMm: distance(20_000),
    name: label(60),
    what: choice(displays),
    widthMm: real(1, 5000),
    heightMm: real(1, 5000),
    depthMm: size(),
    madeOf: choice(stuffs).nullable(),
    ...maybeLab,
    heavy: flag(),
    /** The one that is looked at. */
    leads: flag(),
  }),
  /** A size that rugs are sold in: a further one, or one of the usual sizes that is left out. */
  rugSize: row('rug size', { widthMm: real(100, 20_000), lengthMm: real(100, 20_000), leftOut: flag() }),
}
