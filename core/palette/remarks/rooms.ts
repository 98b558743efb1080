/** What the schools of woods, dark rooms and panelling hold a room to. */
import { isKeepsake } from '../../brief/index.ts'
import { byId } from '../../makeover/by-id.ts'
import { chroma } from '../../colour/lab.ts'
import { groupBy, type Makeover } from '../../makeover/document.ts'
import { paletteFinishes, liesOn, type LaidFinish } from '../../makeover/laid.ts'
import type { Practice } from '../../makeover/practice.ts'
import type { Remark } from '../../remarks/remark.ts'
import { citeRule } from '../../rulebook/rulebook.ts'
import { schoolOf } from '../../rulebook/schools.ts'
import { besideLimit } from '../../measure/quantity.ts'
import { remark } from '../catalogue.ts'
import { labOf } from '../colour-of.ts'
import type { Palette } from '../finishes.ts'
import { subjectOf, type Checks } from './said.ts'

export const roomRemarks: Checks = (makeover, palette, practice) => [
  ...deepWoods(makeover, practice),
  ...[...groupBy(paletteFinishes(makeover), (row) => row.roomId).values()].flatMap((rows) => [
    ...darkWalls(palette, practice, rows),
    ...panelling(practice, rows),
  ]),
]

/** Only pale and grey: a deep wood is raised where it is not there to stay. */
function deepWoods(makeover: Makeover, { rules, schools, chosen }: Practice): Remark[] {
  if (!chosen.includes('woods') || schools.woods !== 'pale') return []
  return paletteFinishes(makeover)
    .filter(
      (row) =>
        row.family === 'wood' &&
        row.labL < rules['woods.deep'] &&
        row.fate !== 'keep' &&
        !isKept(makeover, row.pieceId) &&
        !isKeepsake(makeover, row.pieceId),
    )
    .map((row) =>
      remark({
        code: 'deep-wood',
        subjects: [subjectOf(row)],
        title: `${row.name} is a deep wood`,
        sentence: `By the school “${schoolOf('woods', 'pale').name}” woods lie at ${citeRule('woods.deep', rules)} or above; this one lies at ${besideLimit(row.labL, rules['woods.deep'])}. Take a paler one, or have it limed or greyed.`,
        numbers: [row.labL],
      }),
    )
}

function isKept(makeover: Makeover, pieceId: string | null): boolean {
  const chosenId = pieceId === null ? null : (makeover.rows.piece[pieceId]?.chosenId ?? null)
  return chosenId !== null && makeover.rows.candidate[chosenId]?.keepReason !== null
}

/** A dark wall where the floor was measured and is small: as the school of dark rooms has it. */
function darkWalls(palette: Palette, { rules, schools, chosen }: Practice, rows: readonly LaidFinish[]): Remark[] {
  if (!chosen.includes('dark-room') || schools.colours === 'envelope') return []
  const floor = rows.find((row) => liesOn(row, 'floor'))
  const area = byId(palette.finishes, floor?.id)?.area
  if (area?.basis !== 'survey' || area.m2 >= rules['room.small']) return []
  return rows
    .filter((row) => liesOn(row, 'walls') && row.bandToMm === null)
    .flatMap((wall) => {
      const lrv = byId(palette.finishes, wall.id)?.lrv ?? 100
      if (lrv >= rules['room.dark-wall']) return []
      const bright = rows.some(
        (row) =>
          row.role === 'accent' &&
          (row.labL - wall.labL > rules['wall.stand-out'] || chroma(labOf(row)) > rules['envelope.bright']),
      )
      const wrong =
        schools['dark-room'] === 'pale'
          ? 'By the school chosen here a small room is kept pale: lighten it, or choose to go dark on purpose.'
          : schools['dark-room'] === 'wrapped' && wall.labB <= 0
            ? 'A dark room for work is warm: this one is cool. Take a browner or redder dark.'
            : schools['dark-room'] === 'dark' && !bright
              ? 'Dark on purpose wants one bright focal point, and none is laid in yet.'
              : null
      return wrong === null
        ? []
        : [
            remark({
              code: 'dark-small',
              weight: schools['dark-room'] === 'dark' ? 'note' : 'look',
              subjects: [subjectOf(wall)],
              title: `${wall.name} is dark for a small room`,
              sentence: `Its LRV is about ${besideLimit(lrv, rules['room.dark-wall'])}, under ${citeRule('room.dark-wall', rules)}, and the floor under ${citeRule('room.small', rules)}. ${wrong}`,
              numbers: [lrv],
            }),
          ]
    })
}

/** A panelled lower third wants a finish of its own there. */
function panelling({ schools, chosen }: Practice, rows: readonly LaidFinish[]): Remark[] {
  const walls = rows.filter((row) => liesOn(row, 'walls'))
  const [first] = walls
  if (!chosen.includes('trim') || schools.trim !== 'panelled' || !first) return []
  if (walls.some((row) => row.bandToMm !== null)) return []
  return [
    remark({
      code: 'no-panelling',
      subjects: [subjectOf(first)],
      title: 'No finish covers the panelled lower third',
      sentence: `By the school “${schoolOf('trim', 'panelled').name}” the lower third of the wall has its own: lay it in with the height that it reaches to.`,
      numbers: [walls.length],
    }),
  ]
}
