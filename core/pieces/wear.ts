/** What a room does to what things are made of: each with its reason, and where that is known from. */
import { isKeepsake } from '../brief/index.ts'
import { splitSeveral, type RoomUse, type Stuff, type Use } from '../makeover/choices.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import { isPromised } from '../makeover/things.ts'
import type { ThingKind } from '../makeover/choices.ts'
import type { Row } from '../makeover/kinds.ts'
import type { Remark, Weight } from '../remarks/remark.ts'
import { thingOf } from '../makeover/thing-names.ts'
import { inWords } from '../measure/quantity.ts'
import { markWords, type Mark } from '../rulebook/rulebook.ts'
import { remark } from './catalogue.ts'

type Wears = {
  readonly because: string
  readonly weight: Weight
  /** Where it is known from. */
  readonly mark: Mark
  /** Only where the thing is one of these. */
  readonly as?: readonly ThingKind[]
}
const look = (because: string, ...as: ThingKind[]): Wears => ({
  because,
  weight: 'look',
  mark: 'trade',
  ...(as.length > 0 && { as }),
})
const note = (because: string, ...as: ThingKind[]): Wears => ({ ...look(because, ...as), weight: 'note' })

const sat: readonly ThingKind[] = ['seat', 'bed', 'rug', 'textile']
/** What does not last, by what it is made of and what the room does to it; what is not here lasts, or nobody knows. */
export const wears: Readonly<Partial<Record<Stuff, Readonly<Partial<Record<RoomUse, Wears>>>>>> = {
  silk: {
    traffic: look('silk is for where few walk: its pile breaks and lies flat', 'rug'),
    children: look('silk marks with water and cannot be washed', ...sat),
    animals: look('claws pull silk, and it cannot be washed', ...sat),
    food: look('no silk where food falls: it cannot be washed', ...sat, 'curtain'),
    wet: look('water marks silk for good'),
    sun: note('sun rots silk sooner than any other cloth: line it'),
  },
  viscose: {
    traffic: look('viscose pile breaks under feet and does not recover', 'rug'),
    children: look('what is spilled yellows viscose, and cleaning it leaves a ring', ...sat),
    animals: look('what is spilled yellows viscose, and cleaning it leaves a ring', ...sat),
    food: look('what is spilled yellows viscose, and cleaning it leaves a ring', ...sat),
    wet: look('viscose loses half its strength when it is wet'),
  },
  'jute or sisal': {
    food: look('jute and sisal are not cleaned wet: what falls stays', 'rug', 'seat'),
    wet: look('jute and sisal rot and swell where they stand wet'),
  },
  wool: { wet: look('wool stays wet and shrinks') },
  cotton: { sun: note('dyed cotton fades: line it, or take a dye that is fast', 'curtain') },
  linen: { sun: note('dyed linen fades: line it, or take a dye that is fast', 'curtain') },
  leather: {
    animals: look('claws mark leather for good', 'seat', 'bed'),
    sun: look('sun fades and dries leather until it cracks', 'seat', 'bed'),
    wet: look('leather stains and stiffens where it gets wet'),
  },
  hide: {
    wet: look('hide stiffens and sheds where it gets wet'),
    food: note('hide is wiped, and never washed', 'rug'),
  },
  'solid wood': { wet: note('wood that gets wet wants a finish that is renewed') },
  veneer: { wet: look('veneer lifts where its edges get wet') },
  chipboard: { wet: look('chipboard swells at its edges and does not go back') },
  cane: {
    sun: note('cane dries out and breaks in the sun'),
    wet: look('indoor cane goes grey and mouldy where it stands wet'),
    animals: note('animals sharpen their claws on cane', 'seat', 'storage'),
  },
  'marble or limestone': {
    food: look(
      'lemon, wine and vinegar etch marble and limestone: seal it, or take a stone without lime',
      'table',
      'fixture',
      'material',
    ),
    wet: note('marble and limestone want sealing where water stands'),
  },
  'steel or iron': {
    wet: note(
      'steel and iron rust where their coat is broken',
      'seat',
      'table',
      'storage',
      'shelf',
      'light',
      'ornament',
    ),
  },
  paper: { wet: look('paper cockles and lets go in damp air'), sun: note('paper yellows and fades in the sun') },
  glass: { children: note('glass at a child’s height: ask for safety glass', 'table', 'shelf', 'storage') },
}

const useWords: Readonly<Record<RoomUse, string>> = {
  traffic: 'many walk here',
  children: 'children use the room',
  animals: 'animals live here',
  food: 'people eat here',
  wet: 'it gets wet here',
  sun: 'the sun falls in',
}
/** What a thing is made for stands against what the room does. */
const withstands: Readonly<Record<RoomUse, Use>> = {
  traffic: 'traffic',
  children: 'scrub',
  animals: 'scrub',
  food: 'scrub',
  wet: 'wet',
  sun: 'sun',
}

/** What the rooms do: as it was said of them, and children and animals where a constraint names them. */
export function usesOf(makeover: Makeover, roomId: string): RoomUse[] {
  const said = splitSeveral(makeover.rows.room[roomId]?.uses ?? '') as RoomUse[]
  const constrained = rowsOf(makeover, 'constraint')
    .filter((row) => row.roomId === null || row.roomId === roomId)
    .flatMap(({ reason }): RoomUse[] =>
      reason === 'children' ? ['children'] : reason === 'pets' ? ['animals'] : reason === 'sun' ? ['sun'] : [],
    )
  return [...new Set([...said, ...constrained])]
}

/** What a room does to a thing that is to stand in it, the worst first; nothing where nobody said what it is made of. */
export function wearIn(makeover: Makeover, piece: Row<'piece'>, thing: Row<'candidate'>): WornBy[] {
  return usesOf(makeover, piece.roomId)
    .flatMap((use) => {
      const wear = wearOf(piece, thing, use)
      return wear ? [{ use, wear }] : []
    })
    .toSorted((left, right) => Number(right.wear.weight === 'look') - Number(left.wear.weight === 'look'))
}
export type WornBy = { readonly use: RoomUse; readonly wear: Wears }

/** What is chosen and would not last where it goes; what is there to stay, or is a keepsake, is not asked. */
export function wearRemarks(makeover: Makeover): Remark[] {
  return rowsOf(makeover, 'piece').flatMap((piece) => {
    const chosen = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
    if (!chosen?.madeOf || isKeepsake(makeover, piece.id)) return []
    if (chosen.keepReason !== null || (chosen.source === 'gift' && !isPromised(chosen))) return []
    const found = wearIn(makeover, piece, chosen)
    const [first] = found
    if (!first) return []
    const because = [...new Set(found.map(({ wear }) => wear.because))].map(
      (text) => `${text.charAt(0).toUpperCase()}${text.slice(1)}.`,
    )
    return [
      remark({
        code: 'wear',
        weight: first.wear.weight,
        subjects: [{ kind: 'piece', id: piece.id }],
        title: `${chosen.name}: ${chosen.madeOf} where ${useWords[first.use]}`,
        sentence: `${because.join(' ')} Choose another stuff, or expect to renew it (${inWords([...new Set(found.map(({ wear }) => markWords[wear.mark]))])}).`,
        numbers: [chosen.madeOf, ...found.map(({ use }) => use)],
      }),
    ]
  })
}

export function wearOf(piece: Row<'piece'>, chosen: Row<'candidate'>, use: RoomUse): Wears | null {
  const wear = chosen.madeOf === null ? undefined : wears[chosen.madeOf]?.[use]
  if (!wear || splitSeveral(chosen.suits).includes(withstands[use])) return null
  const washed = chosen.cleaning === 'machine wash' || chosen.cleaning === 'hand wash' || chosen.cleaning === 'wiped'
  if (washed && (use === 'food' || use === 'children' || use === 'animals') && chosen.madeOf !== 'leather') return null
  return wear.as && !wear.as.includes(thingOf(piece)) ? null : wear
}
