import { computed, type ComputedRef } from 'vue'
import { hexFromLab } from '#core/colour/lab.ts'
import { byId } from '#core/makeover/by-id.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeLength, type UnitSystem } from '#core/measure/length.ts'
import { nearestFinish } from '#core/palette/index.ts'
import { compareCandidates, type CandidateReckoning } from '#core/pieces/index.ts'
import { workingLine, type Working } from '#core/money/working.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'

/** A candidate as it stands beside the others. */
export type Shown = CandidateReckoning & {
  readonly hex: string | null
  readonly swatch: {
    readonly family: 'paper'
    readonly sheen: 'matt'
    readonly labL: number
    readonly labA: number
    readonly labB: number
  } | null
  readonly near: ReturnType<typeof nearestFinish>
  readonly chosen: boolean
  readonly ordered: boolean
  readonly kept: boolean
}

/** The candidates of a piece with what is computed of each, for all that is wanted of it. */
export function useSideBySide(piece: () => Row<'piece'> | null): ComputedRef<readonly Shown[]> {
  const makeover = useMakeover()
  const [finishes, purchases] = [useRows('finish'), useRows('purchase')]
  return computed(() => {
    const wanted = piece()
    const { opened, reckoning } = makeover
    if (!wanted || !opened) return []
    const rules = reckoning?.practice.rules ?? effectiveRules()
    const ordered = new Set(purchases.value.map((purchase) => purchase.candidateId))
    const wantedOn = byId(reckoning?.dates ?? [], wanted.id)?.wantedOn ?? null
    return compareCandidates(opened.makeover, opened.studio, wanted, rules, opened.today, wantedOn).map((candidate) => {
      const { row } = candidate
      const lab =
        row.labL !== null && row.labA !== null && row.labB !== null ? { L: row.labL, a: row.labA, b: row.labB } : null
      return {
        ...candidate,
        hex: lab ? hexFromLab(lab) : null,
        swatch: lab ? { family: 'paper', sheen: 'matt', labL: lab.L, labA: lab.a, labB: lab.b } : null,
        near: lab ? nearestFinish(lab, finishes.value) : null,
        chosen: row.id === wanted.chosenId,
        ordered: ordered.has(row.id),
        kept: row.keepReason === 'sentimental',
      }
    })
  })
}

/** The finishes that a candidate ties to in one way, by name. */
export const tied = (candidate: Shown, tie: 'same' | 'hue' | 'clash', finishes: readonly Row<'finish'>[]): string =>
  candidate.cells
    .filter((cell) => cell.tie === tie)
    .map((cell) => byId(finishes, cell.finishId)?.name ?? '')
    .join(', ')

/** "is Damson; ties to Elm", or nothing. */
export const tiesIn = (candidate: Shown, finishes: readonly Row<'finish'>[]): string => {
  const [same, hue] = [tied(candidate, 'same', finishes), tied(candidate, 'hue', finishes)]
  return [same && `is ${same}`, hue && `ties to ${hue}`].filter(Boolean).join('; ')
}

/** The working of a score: what is known of each criterion, how good that is, and what it weighs. */
export function scoreWorking(candidate: Shown): Working {
  const known = candidate.marks.filter((mark) => mark.score !== null)
  const weight = known.reduce((total, mark) => total + mark.weight, 0)
  return {
    title: `Score of ${candidate.row.name}`,
    means: 'What can be computed of it, each from 0 to 100, by its weight. What is not known is left out.',
    lines: candidate.marks.map((mark) =>
      workingLine(
        `${mark.criterion}, weight ${mark.weight}`,
        mark.score === null ? '–' : String(Math.round(100 * mark.score)),
        mark.said,
      ),
    ),
    result: workingLine(
      'Score',
      String(Math.round(candidate.score)),
      `Σ score × weight ÷ ${weight}; the weights are rules of the studio, or set by a school`,
    ),
  }
}

/** Width × depth × height, as far as they are known; empty where none is. */
export function writeSides(row: Row<'candidate'>, units: UnitSystem): string {
  const sides = [row.widthMm, row.depthMm, row.heightMm]
  return sides.every((mm) => mm === null)
    ? ''
    : sides.map((mm) => (mm === null ? '–' : writeLength(mm, units))).join(' × ')
}

/** How far a candidate's colour is from the nearest of the palette, in numbers. */
export function nearWorking({ row, near }: Shown): Working {
  const finish = near?.finish
  const apart = (name: string, left: number | null, right: number | undefined) =>
    workingLine(name, ((left ?? 0) - (right ?? 0)).toFixed(1), `${(left ?? 0).toFixed(1)} − ${(right ?? 0).toFixed(1)}`)
  return {
    title: `${row.name} beside ${finish?.name ?? ''}`,
    means: 'How far the two are apart: under 1 nobody sees it, over 10 it is seen at a glance (common practice).',
    lines: [
      apart('Lightness, ΔL*', row.labL, finish?.labL),
      apart('Green to red, Δa*', row.labA, finish?.labA),
      apart('Blue to yellow, Δb*', row.labB, finish?.labB),
    ],
    result: workingLine('CIEDE2000, ΔE00', (near?.deltaE ?? 0).toFixed(1)),
  }
}
