/** What the school of beginnings asks for first. */
import { deltaE } from '../colour/difference.ts'
import { type Makeover, rowsOf } from '../makeover/document.ts'
import { liesOn, paletteFinishes, type LaidFinish } from '../makeover/laid.ts'
import type { Practice } from '../makeover/practice.ts'
import type { Remark } from '../remarks/remark.ts'
import { remark } from './catalogue.ts'
import { keepers } from './keepers.ts'

/** Do walls, trim and ceiling of one room part in colour, as one sees it? */
function parted(finishes: readonly LaidFinish[], rules: Practice['rules']): boolean {
  const lab = ({ labL, labA, labB }: LaidFinish) => ({ L: labL, a: labA, b: labB })
  return finishes
    .filter((row) => liesOn(row, 'walls'))
    .some((wall) =>
      finishes.some(
        (row) =>
          row.roomId === wall.roomId &&
          liesOn(row, 'trim', 'ceiling') &&
          deltaE(lab(row), lab(wall)) > rules['envelope.one'],
      ),
    )
}

/** What the chosen beginning asks for first. */
export function beginRemarks(makeover: Makeover, { schools, chosen, rules }: Practice): Remark[] {
  if (!chosen.includes('begin')) return []
  const pieces = rowsOf(makeover, 'piece').length
  const finishes = paletteFinishes(makeover)
  const missing: Readonly<Record<string, [boolean, string, string]>> = {
    needs: [
      pieces > 0 && rowsOf(makeover, 'need').length === 0,
      'Pieces are planned, and no need is written down',
      'This makeover begins with what the room is for. Write the needs down, and hold the pieces against them.',
    ],
    floor: [
      finishes.length > 0 && !finishes.some((row) => liesOn(row, 'floor')),
      'The palette has no floor yet',
      'This makeover begins with the floor or the rug, since it sets the direction: lay it in first.',
    ],
    paint: [
      finishes.length > 0 && !finishes.some((row) => liesOn(row, 'walls')),
      'The palette has no wall yet',
      'This makeover begins with paint: lay the walls in first.',
    ],
    clearing: [
      pieces > 0 && keepers(makeover).length === 0,
      'Nothing is listed that stays',
      'This makeover begins with clearing out: write down what stays before anything is bought.',
    ],
    arrangement: [
      finishes.length > 0 && rowsOf(makeover, 'zone').length === 0,
      'The room has no zones yet',
      'This makeover begins with the arrangement: say in the survey where one sleeps, works, talks and passes.',
    ],
    envelope: [
      parted(finishes, rules),
      'Walls, trim and ceiling part in colour',
      'This makeover begins with one envelope and a focal point: bring them to one colour first.',
    ],
    inspiration: [
      finishes.length > 0 && rowsOf(makeover, 'inspiration').length === 0,
      'The collection is empty',
      'This makeover begins with an inspiration: put the picture or cloth in that the colours come from.',
    ],
    fixture: [
      finishes.length > 0 && !finishes.some((row) => row.family === 'metal'),
      'The palette has no metal yet',
      'This makeover begins with the anchor fixture, whose metal leads: lay it in first.',
    ],
  }
  const [is, title, sentence] = missing[schools.begin] ?? [false, '', '']
  return is
    ? [
        remark({
          code: 'begin',
          subjects: [{ kind: 'makeover', id: makeover.id }],
          title,
          sentence,
          numbers: [schools.begin],
        }),
      ]
    : []
}
