/** What is said of things on shelves, with what to do. */
import { writeLength, type UnitSystem } from '../../measure/length.ts'
import { inWords } from '../../measure/quantity.ts'
import { citeRule, type Rules } from '../../rulebook/rulebook.ts'
import type { ShelfCheck } from './checks.ts'

export function saidOfShelf(
  { code, names, value, wanted, rule, about, on: shelf }: ShelfCheck,
  rules: Rules,
  units: UnitSystem,
): { readonly title: string; readonly sentence: string } {
  const length = (mm: number | null): string => writeLength(Math.round(mm ?? 0), units)
  const cited = rule ? citeRule(rule, rules, units) : ''
  const [first = '', second = ''] = names
  switch (code) {
    case 'shelf-off':
      return { title: `${first} stands ${length(value)} over the end of ${shelf}`, sentence: 'Move it in.' }
    case 'shelf-high':
      return {
        title: `${first} is ${length(value)} too high for its board`,
        sentence: `There are ${length(wanted)} below the next. Stand it on another, or on the top.`,
      }
    case 'shelf-deep':
      return {
        title: `${first} stands ${length(value)} over the edge of ${shelf}`,
        sentence: 'Take something less deep, or stand it elsewhere: it will be knocked off.',
      }
    case 'shelf-meets':
      return {
        title: `${first} and ${second} stand in one place`,
        sentence: 'There is no room for one before the other. Move them apart.',
      }
    case 'shelf-level':
      return {
        title: `${shelf}: ${inWords(names)} are all of one height`,
        sentence: `They differ by ${Math.floor(value ?? 0)} %; under ${cited} a row reads as a fence. Put something higher or lower among them, or stand one on books.`,
      }
    case 'shelf-stuff':
      return {
        title: `${shelf}: everything is of ${about}`,
        sentence: 'Mix in another material: something that shines, something rough, something that grows.',
      }
    case 'shelf-twins':
      return {
        title: `${shelf}: ${first} and ${second} stand side by side, alike`,
        sentence: 'Two alike belong to both ends, as a pair; or put one of them away.',
      }
    case 'shelf-balance':
      return {
        title: `${shelf} leans to the ${(value ?? 0) < 0 ? 'left' : 'right'}`,
        sentence: `The weight of what stands there is ${Math.ceil(Math.abs(value ?? 0))} % of the width off its middle; more than ${cited} shows.${about === 'boards' ? ' Let a large thing change its board and its side.' : ' Move a large thing across, or answer it with one.'}`,
      }
    case 'shelf-heavy':
      return {
        title: `${first} is heavy and stands high on ${shelf}`,
        sentence: 'What is heavy stands low: it is steadier, and looks it.',
      }
    case 'shelf-small':
      return {
        title: `${shelf}: little things in ${value ?? 0} places`,
        sentence: `Bring ${inWords(names)} together, on a tray or in a row: apart, what is under ${cited} each way is clutter.`,
      }
    case 'shelf-colour':
      return {
        title: `${shelf}: ${inWords(names)} in ${names.length === 1 ? 'a colour' : 'colours'} that nothing else here has`,
        sentence: `More than ${cited} from every finish of the palette. Turn spines inwards, take a cover off, or let the colour appear a second time.`,
      }
    case 'shelf-strong':
      return value === 0
        ? {
            title: `${shelf}: nothing is looked at first`,
            sentence: 'Among so many things one is meant to lead: say which, and give it room.',
          }
        : {
            title: `${shelf}: ${inWords(names)} fight to be looked at`,
            sentence: 'One strong thing leads. Put the others on another shelf.',
          }
    case 'shelf-crowded':
      return {
        title: `${shelf}: a board is ${Math.ceil(value ?? 0)} % full`,
        sentence: `Over ${cited} nothing on it is seen. Take away ${first}: it is the least of them.`,
      }
  }
}
