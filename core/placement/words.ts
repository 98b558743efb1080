/** What is found of a thing where it stands, in words, in the units of the makeover. */
import { writeLength, type UnitSystem } from '../measure/length.ts'
import { citeRule, type Rules } from '../rulebook/rulebook.ts'
import type { Check } from './checks.ts'

export type Telling = {
  readonly rules: Rules
  readonly units: UnitSystem
  readonly nameOf: (id: string) => string
}

export function said(check: Check, { rules, units, nameOf }: Telling): { title: string; sentence: string } {
  const length = (mm: number | null): string => writeLength(Math.round(mm ?? 0), units)
  const [id = '', second = ''] = check.ids
  const name = nameOf(id)
  const [about = '', met = ''] = check.about.split('|')
  const wanted = check.rule ? citeRule(check.rule, rules, units) : length(check.wantedMm)
  const isMm = length(check.mm)
  switch (check.code) {
    case 'overlap':
      return {
        title: `${name} and ${check.about} stand in one place`,
        sentence: `They are ${isMm} in one another. Move one of them, turn it, or choose a smaller one.`,
      }
    case 'outside':
      return {
        title: `${name} goes through ${check.about}`,
        sentence: `By ${isMm}. Move it into the room, turn it, or choose a smaller one.`,
      }
    case 'too-tall':
      return {
        title: `${name} is higher than the room`,
        sentence: `By ${isMm}: the ceiling is at ${length(check.wantedMm)}.`,
      }
    case 'door':
      return {
        title: `${name}: ${check.about} does not open`,
        sentence: `It stands ${isMm} within the swing of its leaf. Move it out, or hang the door the other way.`,
      }
    case 'window':
      return {
        title: `${name} covers ${check.about}`,
        sentence: `It stands ${isMm} above the sill and covers more than ${wanted}. Take something lower there, or leave the light its way.`,
      }
    case 'radiator':
      return {
        title: `${name} covers ${check.about}`,
        sentence: `Leave ${wanted} before it, or its warmth or air stays behind what stands there.`,
      }
    case 'open':
      return {
        title: `${name}, ${about}: it meets ${met}`,
        sentence: `Opened, it is ${isMm} in it. Move one of them, or say that it is moved away each time.`,
      }
    case 'sofa-table':
      return {
        title: `${isMm} from ${name} to ${check.about}`,
        sentence:
          check.rule === 'place.sofa-table-least'
            ? `Knees want ${wanted} to pass.`
            : `A cup is in reach up to ${wanted}.`,
      }
    case 'dining':
      return {
        title: `${name}: ${isMm} ${about}`,
        sentence: `From its edge to ${met}; those who sit there want ${wanted} to draw back a chair, and more where one passes behind.`,
      }
    case 'bed-side':
      return {
        title: `${name}: ${isMm} ${about}`,
        sentence: `To ${met}; who sleeps there wants ${wanted} to get out and to make the bed.`,
      }
    case 'desk':
      return { title: `${name}: ${isMm} ${about}`, sentence: `To ${met}; a chair at a desk wants ${wanted}.` }
    case 'front':
      return {
        title: `${name}: ${isMm} ${about}`,
        sentence: `To ${met}; it wants ${wanted} there, to stand before it and to open it.`,
      }
    default:
      return { title: `${name} ${nameOf(second)}`.trim(), sentence: check.about }
  }
}
