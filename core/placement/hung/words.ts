/** What is said of what hangs, one sentence each, with what to do. */
import { writeLength, type UnitSystem } from '../../measure/length.ts'
import { writeQuantity } from '../../measure/quantity.ts'
import { citeRule, type Rules } from '../../rulebook/rulebook.ts'
import type { HungCheck } from './check.ts'

/** What hides a fixed thing, by what it asks for. */
const hiding: Readonly<Record<string, string>> = {
  air: 'Air has to pass it: nothing flat goes before it. Give it the colour of its wall, and let what is strongest hang away from it.',
  often:
    'A hand reaches it every day: in the colour of its wall it is seen least. Let what is strongest hang away from it.',
  hand: 'It has to be got at now and then: a work that lifts off its hook may cover it, not one that is screwed.',
  '': 'A work that hangs over it covers it, or something that stands before it.',
}

export function saidOfHung(
  { code, value, wanted, rule, about, name }: HungCheck,
  rules: Rules,
  units: UnitSystem,
): { readonly title: string; readonly sentence: string } {
  const length = (mm: number | null): string => writeLength(Math.round(mm ?? 0), units)
  const weight = (kg: number | null): string => writeQuantity(kg ?? 0, 'kg')
  const cited = rule ? citeRule(rule, rules, units) : ''
  switch (code) {
    case 'hang-off':
      return {
        title: `${name} goes ${length(value)} beyond its wall`,
        sentence: 'Move it in, turn it, or take another wall.',
      }
    case 'hang-line':
      return {
        title: `${name}: its middle is at ${length(value)}`,
        sentence:
          about === 'ceiling'
            ? `So tall a work sits lower: at ${length(wanted)} its top stays ${citeRule('hang.ceiling', rules, units)} below the ceiling. Move it, or say why it hangs there.`
            : `The line of this household is ${length(wanted)}: the middles of works hang on one line, not their tops. Move it, or say why it hangs there.`,
      }
    case 'hang-gap':
      return {
        title: `${name} hangs ${length(value)} over ${about}`,
        sentence: `${(value ?? 0) < (wanted ?? 0) ? `At least ${cited} are wanted: nearer, heads and cushions meet it.` : `At most ${cited} are wanted: higher, it floats off what it belongs to.`} Move it, or say why it hangs there.`,
      }
    case 'hang-wide':
      return {
        title: `${about}: what hangs over it is ${Math.round(value ?? 0)} % of its width`,
        sentence: `${(value ?? 0) < (wanted ?? 0) ? 'At least' : 'At most'} ${cited} look right over it. ${(value ?? 0) < (wanted ?? 0) ? 'Hang something beside it as one group, or a larger work.' : 'Take one away, or a smaller one.'}`,
      }
    case 'hang-opening':
      return { title: `${name} covers ${about}`, sentence: 'Move it beside the opening.' }
    case 'hang-covers':
      return {
        title: `${name} covers ${about}`,
        sentence: 'A hand or the air must get at it. Move the work clear of it.',
      }
    case 'hang-meets':
      return { title: `${name} and ${about} hang in one place`, sentence: 'Move them apart.' }
    case 'hang-behind':
      return {
        title: `${name}: ${length(value)} of it are behind ${about}`,
        sentence: 'What stands before the wall hides it. Hang it higher, or move one of the two.',
      }
    case 'hang-cable':
      return {
        title: `${name}: a cable may run where it is fixed`,
        sentence: `Cables go up, down and sideways from ${about}, within ${cited} of its middle. Find it with a detector first, or fix the work elsewhere; local rules and an electrician decide.`,
      }
    case 'hang-bed': {
      const [what, bed = ''] = about.split('|')
      return {
        title: `${name} hangs over ${bed}`,
        sentence:
          what === 'strips'
            ? 'Strips let go one day: nothing on strips hangs over who lies there. Hang it elsewhere.'
            : `It weighs ${weight(value)}; over who lies there nothing heavy hangs, and ${cited} is heavy. Hang something light, or hang it elsewhere.`,
      }
    }
    case 'hang-seat':
      return {
        title: `${name} weighs ${weight(value)} over ${about}`,
        sentence: `From ${cited} what hangs over who sits there is screwed into the structure, or held by an anchor for that wall. Say how it is fixed.`,
      }
    case 'hang-rating':
      return about === 'weight'
        ? {
            title: `${name}: weigh it`,
            sentence: 'Strips hold so much a pair; how many it takes follows from its weight.',
          }
        : {
            title: `${name}: what do its strips bear?`,
            sentence: 'Read the packet: what a pair bears stands on it, and nobody can guess it.',
          }
    case 'hang-strips':
      return {
        title: `${name} takes ${wanted ?? 0} pairs of strips`,
        sentence: `${value ?? 0} ${value === 1 ? 'is' : 'are'} noted. On paint that has cured ${citeRule('hang.cured', rules, units)} or more, and on a clean, smooth wall.`,
      }
    case 'hang-leave':
      return {
        title: `${name} is fixed by drilling, which is not allowed here`,
        sentence: 'Have it granted, hang it from a rail or on strips, or lean it.',
      }
    case 'hang-apart': {
      const [first, second] = about.split('|')
      return {
        title: `${first} and ${second} hang ${length(value)} apart`,
        sentence: `${(value ?? 0) < (wanted ?? 0) ? 'At least' : 'At most'} ${cited} hold ${name} together as one.`,
      }
    }
    case 'hang-mirror':
      return {
        title: `${name}: ${about} has no twin across the middle`,
        sentence:
          'Here sets are mirrored about their middle, in heights from the floor: hang its like as far on the other side.',
      }
    case 'hang-edges': {
      const [first, second] = about.split('|')
      return {
        title: `${first} and ${second}: their edges miss one line by ${length(value)}`,
        sentence: 'Here edges lie on one line: bring tops, lower edges or middles together.',
      }
    }
    case 'hang-hollow':
      return {
        title: `${name} hangs from a nail in ${about}`,
        sentence: rule
          ? `It weighs ${weight(value)}; from ${cited} an anchor for that wall, or a screw into a stud, holds it.`
          : 'A nail breaks the tile and holds nothing: drill it slowly for a plug, or use strips within their rating.',
      }
    case 'hang-seen': {
      const [asks, cover, leads] = about.split('|')
      return {
        title: `${name} is in sight`,
        sentence: [
          hiding[asks ?? ''],
          cover && `${cover}, which hangs nowhere yet, would cover it.`,
          leads && `${leads}, the largest work here, hangs beside it and leads the eye to it.`,
        ]
          .filter(Boolean)
          .join(' '),
      }
    }
    case 'hang-curve':
      return {
        title: `${name} hangs flat on a curve`,
        sentence: `It stands ${length(value)} off it. Hold it by brackets at its sides, or hang it from a rail.`,
      }
  }
}
