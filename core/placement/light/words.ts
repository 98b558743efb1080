/** What is said of the light of a room, with what to do. */
import { writeLength, type UnitSystem } from '../../measure/length.ts'
import { inWords } from '../../measure/quantity.ts'
import { citeRule, type Rules } from '../../rulebook/rulebook.ts'
import type { LightCheck } from './checks.ts'

/** Lux as one says them: to two figures, since no model is better. */
export function writeLux(lux: number): string {
  const step = lux < 100 ? 5 : lux < 1000 ? 10 : 50
  return `${Math.round(lux / step) * step} lx`
}

export function saidOfLight(
  { code, names, value, wanted, rule, about }: LightCheck,
  rules: Rules,
  units: UnitSystem,
): { readonly title: string; readonly sentence: string } {
  const length = (mm: number | null): string => writeLength(Math.round(mm ?? 0), units)
  const cited = rule ? citeRule(rule, rules, units) : ''
  const [first = '', second = ''] = names
  const [part = '', met = ''] = about.split('|')
  switch (code) {
    case 'light-low':
      return {
        title: `${inWords(names)}: too dark ${about}`,
        sentence: `${names.length > 1 ? 'At the darkest' : 'There'} are about ${writeLux(Math.floor(value ?? 0))} with all lamps on; ${cited} are wanted. The page of the light says what to add, and where.`,
      }
    case 'light-even':
      return {
        title: `The light is ${Math.floor(value ?? 0)} % as strong where it is weakest as it is on the mean`,
        sentence: `Many even sources were chosen: at least ${cited}. Put a lamp where it is dark.`,
      }
    case 'light-hero':
      return {
        title: 'No ceiling light is planned',
        sentence: 'The ceiling light was chosen to be the hero of the room: plan the one that is looked at.',
      }
    case 'light-colour':
      return {
        title: `${inWords(names)}: ${part} K beside ${met} K`,
        sentence: `${(value ?? 0).toFixed(0)} mired apart, where ${cited} go unseen: one looks ${Number(part) > Number(met) ? 'blue' : 'orange'} beside the others. Take bulbs of one colour.`,
      }
    case 'light-nothing':
      return {
        title: `${first} lights nothing`,
        sentence: `No seat, table or work is within ${cited} of it. Move it to where somebody sits, or to what is to be seen.`,
      }
    case 'light-lead':
      return {
        title: `${first}: its lead crosses a way`,
        sentence: `The straight way to the nearest socket goes across the way from ${part} to ${met}. Run it along the wall, or stand the lamp on the other side.`,
      }
    case 'light-rug':
      return {
        title: `${first}: its lead would lie under ${about}`,
        sentence:
          'Under a rug a lead is trodden through and gets hot unseen. Run it round, or stand the lamp elsewhere.',
      }
    case 'light-rises':
      return {
        title: `${first} stands up into ${second}`,
        sentence: `${length(value)} of it are before what hangs there, past its middle. Take a lower lamp, or stand it beside.`,
      }
    case 'light-water': {
      const where = `${first} is in zone ${value ?? 0} of ${met}`
      if (part === 'plugged')
        return {
          title: `${first} is plugged in within reach of ${met}`,
          sentence: `It is in zone ${value ?? 0} (a published standard, IEC 60364-7-701): nothing with a plug stands there. Take it out; local rules and a licensed electrician decide.`,
        }
      return {
        title: part === 'unread' ? `${where}: what water does it bear?` : `${where}, and bears too little water`,
        sentence: `IPX${wanted ?? 0} at least is asked for there (a published standard, IEC 60364-7-701)${part === 'unread' ? '; read its mark' : `; it is IPX${part}`}. Wiring is for a licensed electrician, by local rules.`,
      }
    }
    case 'light-socket':
      return {
        title: `${first} is in zone ${value ?? 0} of ${about}`,
        sentence:
          'No socket belongs there (a published standard, IEC 60364-7-701). Ask a licensed electrician; local rules decide.',
      }
    case 'light-unknown':
      return {
        title:
          names.length === 1
            ? `${first} gives nobody knows how much`
            : `${names.length} lamps give nobody knows how much`,
        sentence: `Read the lumens off the packet of ${inWords(names)}: they do not count yet.`,
      }
  }
}
