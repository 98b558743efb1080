/** Too few textures, too many metals or none that leads, patterns that compete. */
import type { Makeover } from '../../makeover/document.ts'
import type { Remark } from '../../remarks/remark.ts'
import { remark } from '../catalogue.ts'
import type { Practice } from '../../makeover/practice.ts'
import { inWords } from '../../measure/quantity.ts'
import { citeRule } from '../../rulebook/rulebook.ts'
import type { Palette } from '../finishes.ts'
import type { Variety } from '../variety.ts'

export function varietyRemarks(makeover: Makeover, palette: Palette, { rules }: Practice): Remark[] {
  return palette.variety.flatMap((room) => [
    ...textures(makeover, palette, room, rules),
    ...metals(makeover, room, rules),
    ...patterns(makeover, room),
  ])
}

type Rules = Practice['rules']
const name = (makeover: Makeover, id: string): string => makeover.rows.finish[id]?.name ?? ''

function textures(makeover: Makeover, palette: Palette, { textures: kinds, roomId }: Variety, rules: Rules): Remark[] {
  const inRoom = palette.finishes.filter((finish) => makeover.rows.finish[finish.id]?.roomId === roomId).length
  if (inRoom < 4 || kinds.length >= rules['palette.least-textures']) return []
  return [
    remark({
      code: 'few-textures',
      subjects: [{ kind: 'room', id: roomId }],
      title: `${kinds.length} ${kinds.length === 1 ? 'texture' : 'textures'} in all`,
      sentence: `Only ${kinds.join(' and ')}. ${citeRule('palette.least-textures', rules)} keep a room from looking flat: woven, plush, wood, metal, ceramic, plant.`,
      numbers: [kinds.length],
    }),
  ]
}

function metals(makeover: Makeover, { metals: kinds, leads, roomId }: Variety, rules: Rules): Remark[] {
  const subjects = kinds.map(({ finishId }) => ({ kind: 'finish' as const, id: finishId }))
  const names = kinds.map(({ finishId }) => name(makeover, finishId)).join(', ')
  const most = rules['palette.most-metals']
  if (kinds.length > most)
    return [
      remark({
        code: 'many-metals',
        subjects,
        title: `${kinds.length} metals, where ${most} ${most === 1 ? 'is' : 'are'} enough`,
        sentence: `${names}. ${citeRule('palette.most-metals', rules)}: ${kinds.length - most === 1 ? 'one' : kinds.length - most} must go; ${name(makeover, kinds[0]?.finishId ?? '')} is seen most, and may lead.`,
        numbers: [kinds.length],
      }),
    ]
  if (leads || kinds.length < 2) return []
  return [
    remark({
      code: 'no-metal-leads',
      subjects: [{ kind: 'room', id: roomId }, ...subjects],
      title: `No metal leads: ${names}`,
      sentence: `The first is seen less than ${citeRule('metals.lead', rules)} as much as the next. Give one more to cover, or let the other go.`,
      numbers: kinds.map(({ m2 }) => m2),
    }),
  ]
}

/** Patterns of one room should differ in scale, and share a colour. */
function patterns(makeover: Makeover, { sameScale, sharesNone, competing, patterns: all }: Variety): Remark[] {
  const among = new Set(competing)
  const apart = (pairs: readonly (readonly [string, string])[]) =>
    pairs.filter(([left, right]) => !(among.has(left) && among.has(right)))
  const subjects = ([left, right]: readonly [string, string]) =>
    [left, right].map((id) => ({ kind: 'finish' as const, id }))
  const both = ([left, right]: readonly [string, string]): string =>
    `${name(makeover, left)} and ${name(makeover, right)}`
  const compete =
    competing.length === 0
      ? []
      : [
          remark({
            code: 'patterns-compete',
            subjects: competing.map((id) => ({ kind: 'finish' as const, id })),
            title: `${competing.length} patterns of one scale with nothing in common`,
            sentence: `${inWords(competing.map((id) => name(makeover, id)))} compete. Let one lead and be large, one be small, and the rest go plain; or say which palette colour they share.`,
            numbers: [competing.length],
          }),
        ]
  return [
    ...compete,
    ...apart(sameScale).map((pair) => {
      const scale = all.find((entry) => entry.finishId === pair[0])?.scale ?? 'medium'
      return remark({
        code: 'pattern-scale',
        subjects: subjects(pair),
        title: `${both(pair)}: two ${scale} patterns`,
        sentence: 'Patterns of one size compete: one large, one medium, one small is common practice.',
        numbers: [scale],
      })
    }),
    ...apart(sharesNone).map((pair) =>
      remark({
        code: 'pattern-apart',
        subjects: subjects(pair),
        title: `${both(pair)} share no colour`,
        sentence:
          'Patterns that hold one colour in common look chosen together. Say which palette colours each carries, or let one go plain.',
        numbers: ['none'],
      }),
    ),
  ]
}
