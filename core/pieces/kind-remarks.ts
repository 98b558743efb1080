/** What is said of things by their kind: what can tip over, open shelves in a small room, styles that pull apart. */
import { forbiddenIn } from '../brief/index.ts'
import { groupBy, headOf, rowsOf, type Makeover } from '../makeover/document.ts'
import type { Practice } from '../makeover/practice.ts'
import { writeLength } from '../measure/length.ts'
import { inWords } from '../measure/quantity.ts'
import type { Remark } from '../remarks/remark.ts'
import { citeRule } from '../rulebook/rulebook.ts'
import { schoolOf } from '../rulebook/schools.ts'
import type { Row } from '../makeover/kinds.ts'
import { thingOf } from '../makeover/thing-names.ts'
import { remark } from './catalogue.ts'
import { usesOf } from './wear.ts'

export type Chosen = { readonly piece: Row<'piece'>; readonly thing: Row<'candidate'> }
export const chosenOf = (makeover: Makeover): Chosen[] =>
  rowsOf(makeover, 'piece').flatMap((piece) => {
    const thing = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
    return thing ? [{ piece, thing }] : []
  })

export function kindRemarks(
  makeover: Makeover,
  practice: Practice,
  areaOf: (roomId: string) => number | null,
): Remark[] {
  const chosen = chosenOf(makeover)
  return [
    ...tipping(makeover, chosen, practice),
    ...openShelves(chosen, practice, areaOf),
    ...styles(makeover, chosen, practice),
  ]
}

const tips = new Set(['storage', 'shelf', 'mirror'])
/** Dressers, bookcases, tall mirrors: fixed to the wall. Where nobody may drill, the owner is asked. */
function tipping(makeover: Makeover, chosen: readonly Chosen[], { rules }: Practice): Remark[] {
  const units = headOf(makeover)?.units ?? 'metric'
  const least = rules['tip.height']
  return chosen.flatMap(({ piece, thing }) => {
    const tall = thing.heightMm ?? piece.heightMm
    if (!tips.has(thingOf(piece)) || piece.aboveMm > 0 || tall === null || tall < least) return []
    const children = usesOf(makeover, piece.roomId).includes('children')
    const noDrill = forbiddenIn(makeover, piece.roomId).some(({ word, leave }) => word === 'drill' && leave !== 'yes')
    if (!children && !noDrill) return []
    return [
      remark({
        code: 'tips-over',
        weight: children ? 'look' : 'note',
        subjects: [{ kind: 'piece', id: piece.id }],
        title: `${thing.name}: fix its top to the wall`,
        sentence: `It stands ${writeLength(Math.round(tall), units)} high${children ? ', and children pull themselves up on such things' : ''}; from ${citeRule('tip.height', rules, units)} a thing is secured against tipping.${noDrill ? ' Nobody may drill here: ask the owner for this one fixing.' : ''}`,
        numbers: [tall, noDrill ? 'no drilling' : ''],
      }),
    ]
  })
}

/** Open storage in a small room is clutter to see, by the school that avoids it. */
function openShelves(
  chosen: readonly Chosen[],
  { rules, schools, chosen: asked }: Practice,
  areaOf: (roomId: string) => number | null,
): Remark[] {
  if (!asked.includes('open-shelves') || schools['open-shelves'] !== 'avoid') return []
  return chosen.flatMap(({ piece, thing }) => {
    const m2 = areaOf(piece.roomId)
    const kind = thingOf(piece)
    const isOpen = thing.front === 'open' && (kind === 'storage' || kind === 'shelf')
    if (!isOpen || thing.keepReason !== null || m2 === null || m2 >= rules['room.small']) return []
    return [
      remark({
        code: 'open-shelf',
        subjects: [{ kind: 'piece', id: piece.id }],
        title: `${thing.name} is open, in a small room`,
        sentence: `By the school “${schoolOf('open-shelves', 'avoid').name}” what is stored in a room under ${citeRule('room.small', rules)} stands behind doors or in lined-up baskets.`,
        numbers: [m2],
      }),
    ]
  })
}

export const stylesOf = ({ styles: words }: Pick<Row<'candidate'>, 'styles'>): string[] =>
  words
    .split(',')
    .map((word) => word.trim().toLocaleLowerCase('en'))
    .filter((word) => word !== '')

/** One or two styles, by the words on the things of a room. */
function styles(makeover: Makeover, chosen: readonly Chosen[], { rules, schools, chosen: asked }: Practice): Remark[] {
  if (!asked.includes('styles') || schools.styles !== 'two') return []
  return [...groupBy(chosen, ({ piece }) => piece.roomId)].flatMap(([roomId, things]) => {
    const counted = groupBy(
      things.flatMap(({ thing }) => stylesOf(thing).map((style) => ({ style, name: thing.name }))),
      ({ style }) => style,
    )
    const most = rules['styles.most']
    if (counted.size <= most) return []
    const ranked = [...counted].toSorted(([, left], [, right]) => right.length - left.length)
    const extra = ranked.slice(most)
    return [
      remark({
        code: 'many-styles',
        subjects: [{ kind: 'room', id: roomId }],
        title: `${counted.size} styles in ${makeover.rows.room[roomId]?.name ?? 'one room'}`,
        sentence: `By the school “${schoolOf('styles', 'two').name}” ${inWords(ranked.slice(0, most).map(([style]) => style))} stay; ${inWords(extra.map(([style, things]) => `${style} (${inWords(things.map(({ name }) => name))})`))} ${extra.length === 1 ? 'is' : 'are'} beyond ${citeRule('styles.most', rules)}.`,
        numbers: [counted.size],
      }),
    ]
  })
}
