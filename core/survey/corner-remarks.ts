/** What is said of corners: out of square, with how well that is known and what it matters for. */
import { rowsOf, type Makeover } from '../makeover/document.ts'
import { millimetresIn, writeLength, type UnitSystem } from '../measure/length.ts'
import { inWords } from '../measure/quantity.ts'
import type { Remark } from '../remarks/remark.ts'
import { citeRule, type Rules } from '../rulebook/rulebook.ts'
import { remark } from './catalogue.ts'
import { testedCorner } from './corner-test.ts'
import type { Room } from './room.ts'

/** A corner counts as known where it was tested, or where the other measurements tell more of it than that it looks square. */
const knownFrom = 0.5

export function cornerRemarks(makeover: Makeover, room: Room, rules: Rules, system: UnitSystem): Remark[] {
  const short = rowsOf(makeover, 'squareTest').filter(
    (row) =>
      room.walls.some((wall) => wall.row.id === row.wallId) &&
      Math.min(row.alongMm, row.nextMm) < rules['survey.test-legs'],
  )
  return [
    ...offSquare(makeover, room, rules, system),
    ...short.map((row) => shortTest(room, row.wallId, row, rules, system)),
  ]
}

function offSquare(makeover: Makeover, room: Room, rules: Rules, system: UnitSystem): Remark[] {
  const tests = new Map(rowsOf(makeover, 'squareTest').map((row) => [row.wallId, testedCorner(row, rules)]))
  if (room.closing.state !== 'closed' || room.closing.again) return []
  const all = room.closing.angles.flatMap((angle) => {
    const wall = room.walls.find(({ row }) => row.id === angle.wallId)
    const square = wall?.row.corner === 'outside' ? 270 : 90
    // a test is told as it was read; what the lengths of the room tell, as they were adjusted
    const test = angle.tested ? tests.get(angle.wallId) : null
    const [off, sigmaDeg] = test ? [test.deg - square, test.sigmaDeg] : [angle.adjustedDeg - square, angle.sigmaDeg]
    // an angle that somebody typed is what they know already
    if (!wall || wall.row.corner === 'angle' || wall.row.corner === 'unknown' || sigmaDeg === null) return []
    if (!angle.tested && angle.checked < knownFrom) return []
    if (Math.abs(off) <= rules['survey.off-square'] || Math.abs(off) < 2 * sigmaDeg) return []
    return [{ wall, place: angle.place + 1, off, sigmaDeg, tested: angle.tested }]
  })
  // what a test of one corner makes of the others follows from it
  const tested = all.filter((corner) => corner.tested)
  const found = tested.length > 0 ? tested : all
  const [worst] = found.toSorted((left, right) => Math.abs(right.off) - Math.abs(left.off))
  if (!worst) return []
  const slope = Math.abs(Math.tan((worst.off * Math.PI) / 180))
  const gap =
    system === 'metric'
      ? `${Math.round(slope * 1000)} mm to the metre`
      : `${writeLength(slope * millimetresIn.ft, system)} to the foot`
  const told = found.map(
    ({ place, off }) => `corner ${place} is ${Math.abs(off).toFixed(1)}° ${off > 0 ? 'wider' : 'tighter'}`,
  )
  return [
    remark({
      code: 'off-square',
      subjects: found.map(({ wall }) => ({ kind: 'wall' as const, id: wall.row.id })),
      title: `${room.name}: ${inWords(told)} than square`,
      sentence: `Give or take ${Math.max(0.1, ...found.map(({ sigmaDeg }) => sigmaDeg)).toFixed(1)}°; that is up to ${gap}, over ${citeRule('survey.off-square', rules)}. It matters for what is fitted: shelves, worktops, tile, boards. Cut them to the corner; loose furniture takes no notice.`,
      numbers: found.map(({ off }) => off),
    }),
  ]
}

const shortTest = (
  room: Room,
  wallId: string,
  { alongMm, nextMm }: { readonly alongMm: number; readonly nextMm: number },
  rules: Rules,
  system: UnitSystem,
): Remark => {
  const at = room.walls.findIndex(({ row }) => row.id === wallId)
  const least = Math.min(alongMm, nextMm)
  return remark({
    code: 'short-test',
    subjects: [{ kind: 'wall', id: wallId }],
    title: `${room.name}: the test of corner ${((at + 1) % Math.max(1, room.walls.length)) + 1} is too short to tell`,
    sentence: `Its legs are ${writeLength(Math.round(least), system)}; from ${citeRule('survey.test-legs', rules, system)} along both walls a tape can tell whether a corner is square. It is left out.`,
    numbers: [least],
  })
}
