/** What is found of a thing where it stands, in words, in the units of the makeover. */
import { writeLength, type UnitSystem } from '../measure/length.ts'
import { citeRule, type Rules } from '../rulebook/rulebook.ts'
import { inWords } from '../measure/quantity.ts'
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
        title: `${name} is higher than the ${about === 'slope' ? 'ceiling there' : 'room'}`,
        sentence: `By ${isMm}: the ceiling ${about === 'slope' ? 'comes down to' : 'is at'} ${length(check.wantedMm)}.`,
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
    case 'talk':
      return {
        title: `${isMm} between ${name} and ${nameOf(second)}`,
        sentence: `From front edge to front edge; across more than ${wanted} nobody talks at ease. Draw them together.`,
      }
    case 'lead':
      return {
        title: `${name}: ${isMm} to a socket`,
        sentence: `${about === 'assumed' ? `Its lead is taken as ${wanted}: measure it.` : `Its lead is ${wanted}.`} Move it nearer, or have a socket set by an electrician; no lead lies across a way.`,
      }
    case 'pillow':
      return {
        title: about === '' ? `${name}: no lamp in reach` : `${name}: no lamp in reach on its ${about}`,
        sentence: `From the pillow ${met} is ${isMm} off; lying down its switch is in reach within ${wanted}. Move one closer, or plan one with its switch there.`,
      }
    case 'changing':
      return {
        title: `${name}: nothing within an arm’s length`,
        sentence: `${about === '' ? 'No storage stands in this room' : `${about} is ${isMm} off`}; what is needed is within ${wanted}, so that one hand stays on the child.`,
      }
    case 'sun':
      return {
        title: `${name} stands in the sun of ${about}`,
        sentence: `${met.charAt(0).toUpperCase()}${met.slice(1)}. Move it further in than ${wanted}, or give the window a blind that is drawn.`,
      }
    case 'proportion':
      return proportion(check, { name, isMm, wanted, second: nameOf(second) })
    case 'fire':
      return {
        title: `${name} burns ${isMm} from ${nameOf(second)}`,
        sentence: `Keep what the leaflet says clear about it and above it, at least ${wanted} from any cover; local rules come first.`,
      }
    case 'alike':
      return {
        title: `${check.ids.length} alike side by side`,
        sentence: `${inWords(check.about.split('|'))} are all ${isMm} high, in one row. Part them, or let one be higher, so that the eye has somewhere to go.`,
      }
    default:
      return { title: `${name} ${nameOf(second)}`.trim(), sentence: check.about }
  }
}

function proportion(
  { about }: Check,
  { name, isMm, wanted, second }: { name: string; isMm: string; wanted: string; second: string },
): { title: string; sentence: string } {
  switch (about) {
    case 'short':
      return {
        title: `${second} is short for ${name}`,
        sentence: `${isMm} along it; a low table is at least ${wanted} as long as the sofa it stands before, or two stand together.`,
      }
    case 'long':
      return {
        title: `${second} is long for ${name}`,
        sentence: `${isMm} along it; a low table is at most ${wanted} as long as the sofa it stands before.`,
      }
    case 'above seat':
    case 'below seat':
      return {
        title: `${name}: ${isMm} ${about === 'above seat' ? 'above' : 'below'} the seat`,
        sentence: `It stands before ${second}, and is best level with its seat, within ${wanted}.`,
      }
    case 'above mattress':
    case 'below mattress':
      return {
        title: `${name}: ${isMm} ${about === 'above mattress' ? 'above' : 'below'} the mattress`,
        sentence: `Beside ${second} it is best level with the mattress, within ${wanted}, so that a hand finds it.`,
      }
    case 'wide lamp':
      return {
        title: `${name} is wide for ${second}`,
        sentence: `It is ${isMm} wide; a lamp over a table is at most ${wanted} of its width, so that nobody meets it getting up.`,
      }
    default:
      return {
        title: `${name} hangs ${isMm} above ${second}`,
        sentence:
          about === 'hangs low'
            ? `People see each other under it from ${wanted}.`
            : `It belongs to the table up to ${wanted}.`,
      }
  }
}
