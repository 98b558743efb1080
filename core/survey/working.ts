/** The working behind each figure of a survey, in the makeover’s own units. */
import { writeArea, writeVolume } from '../measure/area.ts'
import { writeLength, type UnitSystem } from '../measure/length.ts'
import { workingLine, type Working } from '../money/working.ts'
import { citeRule, type Rules } from '../rulebook/rulebook.ts'
import { skirtingBreaks, type RoomAreas } from './areas.ts'
import { areaOf, heightOn } from './geometry.ts'
import type { Room } from './room.ts'

export const surveyFigures = [
  'floor',
  'ceiling',
  'perimeter',
  'walls',
  'skirting',
  'volume',
  'trim',
  'headroom',
  'closing',
] as const
export type SurveyFigure = (typeof surveyFigures)[number]

/** How a figure of a measured room came about; `wallId` asks for one wall. */
export function surveyWorking(
  figure: SurveyFigure,
  room: Room,
  areas: RoomAreas,
  rules: Rules,
  system: UnitSystem,
  wallId: string | null = null,
): Working {
  const length = (mm: number): string => writeLength(mm, system)
  const area = (m2: number): string => writeArea(m2, system)
  const walls = room.walls.filter((wall) => wallId === null || wall.row.id === wallId)
  const wallAreas = (id: string) => areas.walls.find((wall) => wall.wallId === id)
  const where = wallId === null ? room.name : (walls[0]?.name ?? '')
  switch (figure) {
    case 'floor':
      return {
        title: `Floor of ${room.name}`,
        means:
          'The area inside the walls, by the shoelace formula on the adjusted corners, with what curved walls add or take. Chimney breasts and columns are outside it; what stands on the floor is not taken off.',
        lines: [
          ...room.closing.corners.map((corner, at) =>
            workingLine(
              `Corner ${at + 1}`,
              `${Math.round(corner.x)}, ${Math.round(corner.y) + 0}`,
              'east, north of corner 1, mm',
            ),
          ),
          workingLine('Inside the corners', area(areaOf(room.closing.corners) / 1e6), '½ Σ (x·y′ − x′·y)'),
          ...room.walls.flatMap((wall) =>
            wall.arc
              ? [
                  workingLine(
                    wall.name,
                    `${wall.rise > 0 ? '+' : '−'} ${area(wall.arc.area / 1e6)}`,
                    `½ r² (θ − sin θ), r = ${length(wall.arc.radius)}`,
                  ),
                ]
              : [],
          ),
        ],
        result: workingLine('Floor', area(areas.floorM2)),
      }
    case 'perimeter':
      return {
        title: `Round ${room.name}`,
        means: 'All walls along their foot, adjusted; a curved wall along its arc.',
        lines: room.walls.map((wall) =>
          workingLine(
            wall.name,
            length(wall.lengthMm),
            wall.arc ? `arc over ${length(wall.chordMm)}, rise ${length(wall.arc.rise)}` : '',
          ),
        ),
        result: workingLine('Perimeter', length(areas.perimeterMm)),
      }
    case 'ceiling':
      return {
        title: `Ceiling of ${room.name}`,
        means: 'Each flat part of the ceiling by its own slope: what lies under it, over the cosine of its slope.',
        lines: (room.ceiling?.parts ?? []).map((part, at) =>
          workingLine(
            part.plane.x === 0 && part.plane.y === 0 ? 'Level part' : `Sloping part ${at + 1}`,
            area((areaOf(part.over) * Math.hypot(1, part.plane.x, part.plane.y)) / 1e6),
            `${area(areaOf(part.over) / 1e6)} below it${part.plane.x === 0 && part.plane.y === 0 ? `, at ${length(part.plane.c)}` : `, sloped ${((Math.atan(Math.hypot(part.plane.x, part.plane.y)) * 180) / Math.PI).toFixed(1)}°`}`,
          ),
        ),
        result: workingLine('Ceiling', areas.ceilingM2 === null ? 'no height yet' : area(areas.ceilingM2)),
      }
    case 'headroom':
      return {
        title: `Headroom in ${room.name}`,
        means: `The floor over which the ceiling is ${citeRule('survey.headroom', rules, system)} or more, and how wide it is square to the wall of each slope.`,
        lines: (areas.headroom?.widths ?? []).map(({ wallId, widthMm }) => {
          const wall = room.walls.find(({ row }) => row.id === wallId)
          const slope = room.slopes.find((row) => row.wallId === wallId)
          return workingLine(
            `Off ${wall?.name ?? ''}`,
            length(Math.round(widthMm)),
            slope ? `${length(slope.lowMm)} at the wall, full height ${length(slope.runMm)} from it` : '',
          )
        }),
        result: workingLine('Headroom', areas.headroom === null ? 'no slope' : area(areas.headroom.m2)),
      }
    case 'volume':
      return {
        title: `Volume of ${room.name}`,
        means: 'Under each flat part of the ceiling, the area below it times its mean height.',
        lines: (room.ceiling?.parts ?? []).map((part) =>
          workingLine(area(areaOf(part.over) / 1e6), length(meanHeight(part)), 'mean height over it'),
        ),
        result: workingLine(
          'Volume',
          areas.volumeM3 === null ? 'no height yet' : writeVolume(areas.volumeM3, system),
          room.walls.some((wall) => wall.arc) ? 'arcs in 64 straight pieces' : '',
        ),
      }
    case 'walls':
      return {
        title: `${wallId === null ? 'Walls of ' : ''}${where}`,
        means:
          'Gross is along the wall times its height. Net is less doors, windows and arches; the sides of niches are added. What is built in for good is said apart.',
        lines: walls.flatMap((wall) => {
          const found = wallAreas(wall.row.id)
          if (!found) return []
          const single = wallId !== null
          return [
            workingLine(
              single ? 'Gross' : wall.name,
              area(single ? found.grossM2 : found.netM2),
              single ? `${length(wall.lengthMm)} long` : `${area(found.grossM2)} less ${area(found.openingsM2)}`,
            ),
            ...(single
              ? [
                  ...wall.openings.map((opening) =>
                    opening.row.what === 'niche'
                      ? workingLine(opening.name, '', 'a niche: its back stands for its front')
                      : workingLine(
                          opening.name,
                          `− ${area((opening.row.widthMm * (opening.z1 - opening.z0)) / 1e6)}`,
                          `${length(opening.row.widthMm)} × ${length(opening.z1 - opening.z0)}`,
                        ),
                  ),
                  ...(found.nicheSidesM2 > 0 ? [workingLine('Sides of niches', `+ ${area(found.nicheSidesM2)}`)] : []),
                  ...found.bands.map((band) =>
                    workingLine(
                      `From ${band.fromMm === 0 ? 'the floor' : length(band.fromMm)} to ${band.toMm === null ? 'the ceiling' : length(band.toMm)}`,
                      area(band.netM2),
                      `net, of ${area(band.grossM2)}`,
                    ),
                  ),
                  ...(found.coveredM2 > 0 ? [workingLine('Of it behind what is built in', area(found.coveredM2))] : []),
                ]
              : []),
          ]
        }),
        result: workingLine(
          'Net',
          area(wallId === null ? areas.netM2 : (wallAreas(wallId)?.netM2 ?? 0)),
          `of ${area(wallId === null ? areas.grossM2 : (wallAreas(wallId)?.grossM2 ?? 0))} gross`,
        ),
      }
    case 'skirting':
      return {
        title: `Skirting of ${room.name}`,
        means: `Round the room, less what comes down below ${citeRule('survey.skirting-height', rules, system)}: doors, arches, low windows, fireplaces and built-ins. Niches at the floor add their sides.`,
        lines: [
          workingLine('Perimeter', length(areas.perimeterMm)),
          ...room.walls.flatMap((wall) =>
            skirtingBreaks(wall, rules).map(({ u0, u1 }) =>
              workingLine(
                wall.name,
                `− ${length(u1 - u0)}`,
                [...wall.openings, ...wall.fixtures]
                  .filter(
                    (opening) =>
                      opening.u0 < u1 &&
                      opening.u1 > u0 &&
                      opening.z0 < rules['survey.skirting-height'] &&
                      opening.u1 > opening.u0,
                  )
                  .map((opening) => opening.name)
                  .join(', '),
              ),
            ),
          ),
        ],
        result: workingLine('Skirting', length(areas.skirtingMm)),
      }
    case 'trim':
      return {
        title: `Trim of ${room.name}`,
        means: 'Skirting and the casings round doors and windows, by their usual widths.',
        lines: [
          workingLine(
            'Skirting',
            area((areas.skirtingMm * rules['survey.skirting-height']) / 1e6),
            `${length(areas.skirtingMm)} × ${citeRule('survey.skirting-height', rules, system)}`,
          ),
          workingLine(
            'Casings',
            area((areas.casingMm * rules['survey.casing-width']) / 1e6),
            `${length(areas.casingMm)} × ${citeRule('survey.casing-width', rules, system)}`,
          ),
        ],
        result: workingLine('Trim', area(areas.trimM2)),
      }
    case 'closing': {
      const { closing } = room
      return {
        title: `Closing ${room.name}`,
        means: `Least squares on the corners: lengths good to ${rules['survey.sigma']} mm and ${rules['survey.sigma-per-metre']} mm a metre, corners taken for square to ${rules['survey.sigma-angle']}°. Each line: what was measured, and what it had to move.`,
        lines: [
          ...closing.lengths.map((lengthReading) =>
            workingLine(
              lengthReading.name,
              length(lengthReading.adjustedMm),
              lengthReading.measuredMm === null
                ? 'not measured'
                : `measured ${length(lengthReading.measuredMm)}, ${lengthReading.id === room.closing.again?.named ? 'set aside: the others differ by' : 'moved'} ${signed(lengthReading.residualMm)}\u00a0mm${lengthReading.standardised === null ? ', nothing checks it' : `, ${lengthReading.standardised.toFixed(1)} of its σ`}`,
            ),
          ),
          ...closing.angles.map((angle) =>
            workingLine(
              `Corner ${angle.place + 1}`,
              `${angle.adjustedDeg.toFixed(2)}°`,
              angle.measuredDeg === null
                ? 'not measured'
                : `${angle.assumed ? 'taken for' : 'measured'} ${angle.measuredDeg}°`,
            ),
          ),
        ],
        result: workingLine(
          closing.misclosure && closing.misclosure.mm < 0.05 ? 'Closes, within' : 'Misses its start by',
          closing.misclosure ? `${closing.misclosure.mm.toFixed(1)}\u00a0mm` : '–',
          closing.misclosure?.oneIn
            ? `1 : ${closing.misclosure.oneIn}; up to ${Math.round(closing.limitMm)}\u00a0mm is common`
            : '',
        ),
      }
    }
  }
}
const signed = (mm: number): string => `${mm < -0.05 ? '−' : '+'}${Math.abs(mm).toFixed(1)}`
function meanHeight({
  over,
  plane,
}: {
  readonly over: readonly { readonly x: number; readonly y: number }[]
  readonly plane: { readonly c: number; readonly x: number; readonly y: number }
}): number {
  // the mean of a plane over an area is its value at the area’s centroid; for a list of corners, by its triangles
  const [first, ...rest] = over
  if (!first) return 0
  let [weight, total] = [0, 0]
  for (const [at, entry] of rest.slice(0, -1).entries()) {
    const second = rest[at + 1] ?? entry
    const twice = (entry.x - first.x) * (second.y - first.y) - (second.x - first.x) * (entry.y - first.y)
    weight += twice
    total += (twice * (heightOn(plane, first) + heightOn(plane, entry) + heightOn(plane, second))) / 3
  }
  return weight === 0 ? heightOn(plane, first) : total / weight
}
