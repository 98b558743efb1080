import { rowsOf, type Makeover } from '../makeover/document.ts'
import { remark, type Remark } from '../remarks/remark.ts'
import { citeRule, type Rules } from '../rulebook/rulebook.ts'
import type { Palette, PairClash } from './finishes.ts'

const nouns = { woods: 'woods', metals: 'metals', greenery: 'greens', neutrals: 'near-neutrals' } as const
const why = {
  woods: 'Depth may differ, undertone should not: pull one towards the other, or part them with a rug or a painted thing.',
  metals: 'Let one lead, and bring the other to its side of yellow.',
  greenery: 'Keep the leaves on one side of green.',
  neutrals: 'Side by side the warmer one looks dirty and the cooler one cold: bring one to the other’s side.',
} as const

/** What the palette gives cause to say. */
export function paletteRemarks(makeover: Makeover, palette: Palette, rules: Rules): Remark[] {
  const byId = new Map(palette.finishes.map((one) => [one.id, one]))
  const clashes = palette.clashes.flatMap((pair: PairClash) => {
    const one = byId.get(pair.one)
    const other = byId.get(pair.other)
    const group = one?.undertone.group
    if (!one || !other || !group) return []
    return [
      remark({
        code: 'palette.clash',
        weight: 'look',
        step: 'palette',
        subjects: [
          { kind: 'finish', id: pair.one },
          { kind: 'finish', id: pair.other },
        ],
        title: `${one.name} and ${other.name}: two ${nouns[group]} of different undertone`,
        sentence: `${one.name} is ${one.undertone.words}, ${other.name} ${other.undertone.words}. They part by ${pair.measured.toFixed(1)} ${pair.measure}; from ${citeRule(pair.rule, rules)} two ${nouns[group]} clash. ${why[group]}`,
        rule: pair.rule,
        numbers: [pair.measured, pair.hueApart],
      }),
    ]
  })
  const unseen = rowsOf(makeover, 'finish').flatMap((row) => {
    if (byId.get(row.id)?.showable !== false) return []
    return [
      remark({
        code: 'palette.outside-screen',
        weight: 'note',
        step: 'palette',
        subjects: [{ kind: 'finish', id: row.id }],
        title: `${row.name} is beyond what a screen can show`,
        sentence: 'It is drawn as the nearest colour of the same lightness and hue. Its numbers stay as they were given; judge it by a sample.',
        rule: null,
        numbers: [row.labL, row.labA, row.labB],
      }),
    ]
  })
  return [...clashes, ...unseen]
}
