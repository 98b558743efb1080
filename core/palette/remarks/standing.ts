/** What disappears before its wall or stands out from it unmeant, and surfaces that cannot be told apart. */
import { type Makeover, rowsOf } from '../../makeover/document.ts'
import { remark, type Remark } from '../../remarks/remark.ts'
import type { Practice } from '../../rulebook/practice.ts'
import { citeRule } from '../../rulebook/rulebook.ts'
import type { Palette } from '../finishes.ts'

export function standingRemarks(makeover: Makeover, palette: Palette, { rules }: Practice): Remark[] {
  const standing = palette.standings.flatMap((one) => {
    const [subject, wall] = [
      one.kind === 'piece' ? makeover.rows.piece[one.id] : makeover.rows.finish[one.id],
      makeover.rows.finish[one.wallId],
    ]
    if (!one.fault || !subject || !wall) return []
    return [
      remark({
        code: 'palette.before-wall',
        weight: one.hides ? 'note' : 'look',
        step: 'palette',
        subjects: [
          { kind: one.kind, id: one.id },
          { kind: 'finish', id: wall.id },
        ],
        title: one.hides ? `${subject.name}: seen before ${wall.name}` : `${subject.name}: lost before ${wall.name}`,
        sentence: one.hides
          ? `It is meant to hide, and is ${Math.abs(one.lighter).toFixed(0)} ${one.lighter > 0 ? 'lighter' : 'darker'} than the wall; over ${citeRule('wall.stand-out', rules)} a thing stands out.`
          : `They part by ΔE ${one.deltaE.toFixed(1)} and ${Math.abs(one.lighter).toFixed(0)} in lightness; under ${citeRule('wall.vanish-difference', rules)} a thing is lost before its wall. Choose it lighter or darker, or say that it is meant to hide.`,
        rule: one.hides ? 'wall.stand-out' : 'wall.vanish-difference',
        numbers: [one.deltaE, one.lighter],
      }),
    ]
  })
  // only where somebody who sees little has said so: elsewhere a soft floor against its wall is no fault
  const asked = rowsOf(makeover, 'constraint').some((row) => row.reason === 'access')
  const apart = !asked
    ? []
    : palette.apart.flatMap((pair) => {
        const [one, other] = [makeover.rows.finish[pair.one], makeover.rows.finish[pair.other]]
        if (pair.enough || !one || !other) return []
        return [
          remark({
            code: 'palette.door',
            weight: 'look',
            step: 'palette',
            subjects: [
              { kind: 'finish', id: one.id },
              { kind: 'finish', id: other.id },
            ],
            title: `${one.name} is hard to tell from ${other.name}`,
            sentence: `They part by ${pair.points.toFixed(0)} points of LRV, an estimate; people who see little want ${citeRule('door.contrast', rules)}.`,
            rule: 'door.contrast',
            numbers: [pair.points],
          }),
        ]
      })
  return [...standing, ...apart]
}
