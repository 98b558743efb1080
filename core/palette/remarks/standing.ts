/** What disappears before its wall or stands out from it unmeant, and surfaces that cannot be told apart. */
import { laidFinish, liesOn } from '../../makeover/laid.ts'
import { besideLimit } from '../../measure/quantity.ts'
import { type Makeover, rowsOf } from '../../makeover/document.ts'
import type { Remark } from '../../remarks/remark.ts'
import { remark } from '../catalogue.ts'
import type { Practice } from '../../makeover/practice.ts'
import { citeRule } from '../../rulebook/rulebook.ts'
import type { Palette } from '../finishes.ts'
import { countedIn } from '../told-apart.ts'

/** An access constraint that is about sight, not about a stair. */
const seesLittle = /\b(sees?|sight|vision|visual\w*|blind|eyes?|contrast)\b/i

export function standingRemarks(makeover: Makeover, palette: Palette, { rules, schools }: Practice): Remark[] {
  const standing = palette.standings.flatMap((standing) => {
    const [subject, wall] = [
      standing.kind === 'piece' ? makeover.rows.piece[standing.id] : makeover.rows.finish[standing.id],
      laidFinish(makeover, standing.wallId),
    ]
    if (!standing.fault || !subject || !wall) return []
    // in quiet layers pale before pale is wanted
    if (schools.colours === 'quiet' && !standing.hides && wall.labL >= rules['quiet.pale']) return []
    const behind = liesOn(wall, 'walls') ? 'wall' : wall.surface
    return [
      remark({
        code: 'before-wall',
        weight: standing.hides ? 'note' : 'look',
        subjects: [
          { kind: standing.kind, id: standing.id },
          { kind: 'finish', id: wall.id },
        ],
        title: standing.hides
          ? `${subject.name}: seen before ${wall.name}`
          : `${subject.name}: lost before ${wall.name}`,
        sentence: standing.hides
          ? `It is meant to hide, and is ${besideLimit(Math.abs(standing.lighter), rules['wall.stand-out'])} ${standing.lighter > 0 ? 'lighter' : 'darker'} than the ${behind}; over ${citeRule('wall.stand-out', rules)} a thing stands out.`
          : `They part by ${besideLimit(Math.abs(standing.lighter), rules['wall.vanish-lightness'])} in lightness and hardly in hue: so near, a thing is lost before its ${behind}. Choose it lighter or darker, or say that it is meant to hide.`,
        rule: standing.hides ? 'wall.stand-out' : 'wall.vanish-difference',
        numbers: [standing.deltaE, standing.lighter],
      }),
    ]
  })
  // only where somebody who sees little has said so: elsewhere a soft floor against its wall is no fault
  const asked = rowsOf(makeover, 'constraint').some((row) => row.reason === 'access' && seesLittle.test(row.note))
  const apart = !asked
    ? []
    : palette.apart.flatMap((pair) => {
        const [left, right] = [makeover.rows.finish[pair.left], makeover.rows.finish[pair.right]]
        if (pair.enough || !left || !right) return []
        return [
          remark({
            code: 'door',
            subjects: [
              { kind: 'finish', id: left.id },
              { kind: 'finish', id: right.id },
            ],
            title: `${left.name} is hard to tell from ${right.name}`,
            sentence: `They part by ${besideLimit(pair.points, pair.wanted)} ${countedIn[pair.standard]}${pair.measured ? ', by their makers’ LRV' : ', an estimate from their colours'}; by ${pair.standard} people who see little want ${citeRule('door.contrast', rules)}.`,
            numbers: [pair.points],
          }),
        ]
      })
  return [...standing, ...apart]
}
