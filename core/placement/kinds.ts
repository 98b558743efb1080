/** The kinds of row of the placement: layouts of a room, where each thing stands in one, its footprint, and what opens. */
import { footprints } from '../makeover/choices.ts'
import { choice, count, distance, flag, label, line, real, reference, row, size } from '../makeover/fields.ts'

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
  /** A size that rugs are sold in: a further one, or one of the usual sizes that is left out. */
  rugSize: row('rug size', { widthMm: real(100, 20_000), lengthMm: real(100, 20_000), leftOut: flag() }),
}
