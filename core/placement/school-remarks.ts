/** What the schools say of where things stand: scale and rugs in small rooms. */
import type { Makeover } from '../makeover/document.ts'
import type { Practice } from '../makeover/practice.ts'
import { writeLength, type UnitSystem } from '../measure/length.ts'
import { inWords } from '../measure/quantity.ts'
import type { Remark, Subject } from '../remarks/remark.ts'
import { citeRule } from '../rulebook/rulebook.ts'
import { schoolOf } from '../rulebook/schools.ts'
import { remark } from './catalogue.ts'
import type { RoomPlaced } from './reckoned.ts'
import { rugsShort } from './rugs.ts'
import { isSofa } from './sides.ts'

type SubjectsOf = (makeover: Makeover, ids: readonly string[]) => Subject[]

export function schoolRemarks(
  makeover: Makeover,
  { bodies, areaM2 }: RoomPlaced,
  { rules, schools, chosen }: Practice,
  units: UnitSystem,
  subjectsOf: SubjectsOf,
): Remark[] {
  const isSmall = areaM2 < rules['room.small']
  const asks = (question: 'scale' | 'small-rug'): boolean => isSmall && chosen.includes(question)
  const by = (question: 'scale' | 'small-rug'): string =>
    `By the school “${schoolOf(question, schools[question]).name}”`
  return [
    ...(asks('scale') && schools.scale === 'small' ? longSofas() : []),
    ...(asks('scale') && schools.scale === 'large' ? manySmall() : []),
    ...(asks('small-rug') && schools['small-rug'] === 'none' ? rugs() : []),
    ...rugsShort(bodies, rules, schools['small-rug']).map((rug) =>
      remark({
        code: 'rug-reach',
        subjects: subjectsOf(makeover, [rug.id]),
        title: `${rug.name} reaches under some seats only`,
        sentence: `Move it, or draw the seats in, until it lies ${citeRule('rug.under', rules, units)} under the front legs of each; or take a larger one.`,
        numbers: [rug.at.xMm],
      }),
    ),
  ]

  function longSofas(): Remark[] {
    return bodies
      .filter((body) => isSofa(body) && (body.thing?.widthMm ?? 0) > rules['place.small-sofa'] + 100)
      .map((sofa) =>
        remark({
          code: 'scale',
          subjects: subjectsOf(makeover, [sofa.id]),
          title: `${sofa.name}: ${writeLength(Math.round(sofa.thing?.widthMm ?? 0), units)} in a small room`,
          sentence: `${by('scale')} a sofa in a room under ${citeRule('room.small', rules, units)} is about ${citeRule('place.small-sofa', rules, units)}, of simple lines. Take a shorter one.`,
          rule: 'place.small-sofa',
          numbers: [sofa.thing?.widthMm ?? 0],
        }),
      )
  }
  function manySmall(): Remark[] {
    const most = rules['place.small-things']
    return (['table', 'storage', 'plant', 'light', 'other'] as const).flatMap((kind) => {
      const small = bodies.filter(
        ({ thing, low }) => thing?.kind === kind && low < 1500 && thing.widthMm * thing.depthMm < smallMm2,
      )
      if (small.length < most) return []
      return [
        remark({
          code: 'scale',
          weight: 'note',
          subjects: subjectsOf(
            makeover,
            small.map(({ id }) => id),
          ),
          title: `${small.length} small things of one kind`,
          sentence: `${by('scale')} a small room holds few large things rather than many small ones: ${inWords(small.map(({ name }) => name))}. Put one larger thing in place of some.`,
          rule: 'place.small-things',
          numbers: [small.length],
        }),
      ]
    })
  }
  function rugs(): Remark[] {
    return bodies
      .filter(({ thing }) => thing?.flat)
      .map((rug) =>
        remark({
          code: 'rug-small',
          subjects: subjectsOf(makeover, [rug.id]),
          title: `${rug.name} breaks up the floor`,
          sentence: `${by('small-rug')} the floor of a room under ${citeRule('room.small', rules, units)} stays unbroken. Leave it out, or say another school in the brief.`,
          numbers: [areaM2],
        }),
      )
  }
}
/** A thing under half a metre square is small. */
const smallMm2 = 250_000
