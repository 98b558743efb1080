/** Colours that appear too seldom, or all in one place, and accents where the school does not want them. */
import { laidFinish } from '../../makeover/laid.ts'
import { headOf, type Makeover } from '../../makeover/document.ts'
import type { Remark } from '../../remarks/remark.ts'
import { remark } from '../catalogue.ts'
import type { Practice } from '../../makeover/practice.ts'
import { citeRule } from '../../rulebook/rulebook.ts'
import { schoolOf } from '../../rulebook/schools.ts'
import type { Palette } from '../finishes.ts'

const materials = new Set(['wood', 'metal', 'stone', 'greenery', 'cane', 'glass'])

export function tieRemarks(makeover: Makeover, palette: Palette, { rules, schools }: Practice): Remark[] {
  const least = rules['palette.least-appearances']
  const units = headOf(makeover)?.units
  const spreads = new Map(palette.spreads.map((spread) => [spread.finishId, spread]))
  return palette.finishes.flatMap((finish) => {
    const row = laidFinish(makeover, finish.id)
    // in an eclectic room every colour is repeated; wood, metal, stone and leaves are materials rather than colours
    if (
      !row ||
      row.surface === 'ceiling' ||
      row.family === 'metal' ||
      row.family === 'greenery' ||
      (finish.role !== 'accent' && (schools.colours !== 'eclectic' || materials.has(row.family)))
    )
      return []
    const subjects = [{ kind: 'finish' as const, id: finish.id }]
    const remarks: Remark[] = []
    const [spread, things] = [spreads.get(finish.id), finish.appears]
    const places = spread?.apart ?? things
    if (places < least) {
      const close =
        things > places
          ? ` ${things} things carry it, but some stand nearer than ${citeRule('tie.apart-plan', rules, units)} and ${citeRule('tie.apart-height', rules, units)} in height.`
          : ''
      remarks.push(
        remark({
          code: 'appears-seldom',
          weight: places === 1 ? 'look' : 'note',
          subjects,
          title: `${finish.name} appears ${places === 1 ? (things > 1 ? 'in one place' : 'once') : places === 2 ? 'twice' : `${places} times`}`,
          sentence: `${places === 1 ? 'What appears once looks like a mistake. ' : ''}${citeRule('palette.least-appearances', rules)} look meant: bring it in again, in another part of the room and at another height.${close}`,
          numbers: [places],
        }),
      )
    } else if (spread?.fault === 'one side')
      remarks.push(
        remark({
          code: 'one-side',
          subjects,
          title: `${finish.name} is all on one side of the room`,
          sentence: `It appears in ${things} things, all in one half. A colour that is taken up across the room holds it together: bring it in once on the other side.`,
          numbers: [things],
        }),
      )
    else if (spread?.fault === 'one height')
      remarks.push(
        remark({
          code: 'one-height',
          subjects,
          title: `${finish.name} is all at one height`,
          sentence: `Its ${things} places lie within ${citeRule('tie.apart-height', rules, units)} of each other in height: take it up once low or once high.`,
          numbers: [things],
        }),
      )
    if (finish.role === 'accent' && schools.accent === 'never-cushions' && ['textile', 'plush'].includes(row.family))
      remarks.push(
        remark({
          code: 'accent-on-cloth',
          subjects,
          title: `${finish.name} is an accent on cloth`,
          sentence: `By the school “${schoolOf('accent', schools.accent).name}” cushions stay quiet: let greenery, art or the window carry it.`,
          numbers: [row.family],
        }),
      )
    return remarks
  })
}
