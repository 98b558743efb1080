/** What the palette gives cause to say. */
import { isKeepsake } from '../../brief/index.ts'
import { type Makeover } from '../../makeover/document.ts'
import { paletteFinishes } from '../../makeover/laid.ts'
import type { Remark } from '../../remarks/remark.ts'
import { remark } from '../catalogue.ts'
import type { Practice } from '../../makeover/practice.ts'
import { citeRule } from '../../rulebook/rulebook.ts'
import type { Palette } from '../finishes.ts'
import { roomRemarks } from './rooms.ts'
import { sampleRemarks } from './samples.ts'
import { schoolRemarks } from './schools.ts'
import { standingRemarks } from './standing.ts'
import { tieRemarks } from './ties.ts'
import { besideRemarks } from './metals.ts'
import { touchUpRemarks } from './touch-up.ts'
import { useRemarks } from './uses.ts'
import { varietyRemarks } from './variety.ts'

const nouns = { woods: 'woods', metals: 'metals', greenery: 'greens', neutrals: 'near-neutrals' } as const
const why = {
  woods:
    'Depth may differ, undertone should not: pull one towards the other, or part them with a rug or a painted thing.',
  metals: 'Let one lead, and bring the other to its side of yellow.',
  greenery: 'Keep the leaves on one side of green.',
  neutrals: 'Side by side the warmer one looks dirty and the cooler one cold: bring one to the other’s side.',
} as const

export function paletteRemarks(makeover: Makeover, palette: Palette, practice: Practice): Remark[] {
  return [
    ...clashRemarks(makeover, palette, practice),
    ...schoolRemarks(makeover, palette, practice),
    ...roomRemarks(makeover, palette, practice),
    ...tieRemarks(makeover, palette, practice),
    ...varietyRemarks(makeover, palette, practice),
    ...standingRemarks(makeover, palette, practice),
    ...sampleRemarks(makeover),
    ...useRemarks(makeover),
    ...besideRemarks(makeover, palette, practice),
    ...touchUpRemarks(makeover, palette, practice),
    ...beyondScreen(makeover, palette),
  ]
}

function clashRemarks(makeover: Makeover, palette: Palette, { rules, schools }: Practice): Remark[] {
  const byId = new Map(palette.finishes.map((finish) => [finish.id, finish]))
  return palette.clashes.flatMap((pair) => {
    const [left, right] = [byId.get(pair.left), byId.get(pair.right)]
    const group = left?.undertone.group
    if (!left || !right || !group) return []
    const kept = [pair.left, pair.right]
      .filter((id) => isKeepsake(makeover, makeover.rows.finish[id]?.pieceId ?? null))
      .map((id) => byId.get(id)?.name ?? '')
    if (kept.length > 0 && schools.keepsakes === 'away') return []
    const stays =
      kept.length > 0
        ? ` ${kept.join(' and ')} stays as it is: bring the other to its side${schools.keepsakes === 'stand-in' ? ', or show something made after it' : ''}.`
        : ` ${why[group]}`
    return [
      remark({
        code: 'clash',
        weight: kept.length > 0 ? 'note' : 'look',
        subjects: [
          { kind: 'finish', id: pair.left },
          { kind: 'finish', id: pair.right },
        ],
        title: `${left.name} and ${right.name}: two ${nouns[group]} of different undertone`,
        sentence: `${left.name} is ${left.undertone.words}, ${right.name} ${right.undertone.words}. They part by ${pair.measured.toFixed(1)} ${pair.measure}; from ${citeRule(pair.rule, rules)} two ${nouns[group]} clash.${stays}`,
        rule: pair.rule,
        numbers: [pair.measured, pair.hueApart],
      }),
    ]
  })
}

function beyondScreen(makeover: Makeover, palette: Palette): Remark[] {
  const byId = new Map(palette.finishes.map((finish) => [finish.id, finish]))
  return paletteFinishes(makeover).flatMap((row) => {
    if (byId.get(row.id)?.showable !== false) return []
    return [
      remark({
        code: 'outside-screen',
        subjects: [{ kind: 'finish', id: row.id }],
        title: `${row.name} is beyond what a screen can show`,
        sentence:
          'It is drawn as the nearest colour of the same lightness and hue. Its numbers stay as they were given; judge it by a sample.',
        numbers: [row.labL, row.labA, row.labB],
      }),
    ]
  })
}
