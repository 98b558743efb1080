/** What a piece is, as far as its name and the way it is counted tell. Common practice of the trade. */
import type { ThingKind } from './choices.ts'
import type { Row } from './kinds.ts'

/** Counted in tins, rolls or square metres: it is laid on the room rather than put in it. */
export const isMaterial = ({
  unit,
  thing,
}: Pick<Row<'piece'>, 'unit'> & Partial<Pick<Row<'piece'>, 'thing'>>): boolean =>
  thing === 'material' ||
  /^(l|lit(?:re|er)s?|tins?|cans?|gal(?:lons?)?|quarts?|rolls?|strips?|tiles?|boards?|m²|m2|sq\.? ?(?:m|ft)|square (?:metres?|feet)|kg|bags?)$/i.test(
    unit.trim(),
  )

/** How many things a piece is; one where it is counted by its length, its weight or by what it covers. */
export const thingsIn = (
  piece: Pick<Row<'piece'>, 'unit' | 'quantity'> & Partial<Pick<Row<'piece'>, 'thing'>>,
): number =>
  isMaterial(piece) || /^(m|cm|mm|yd|yards?|ft|feet|in|inch(?:es)?|metres?|meters?)$/i.test(piece.unit.trim())
    ? 1
    : Math.max(1, Math.floor(piece.quantity))

/** What a thing is seen against: the floor it lies on, the ceiling it hangs from, a wall, or another thing. */
export type Ground = 'walls' | 'floor' | 'ceiling' | 'a thing'
const grounds: readonly (readonly [Ground, RegExp])[] = [
  ['a thing', /\b(runner|table ?cloth|place ?mat|napkin|coaster|tray)s?\b/i],
  ['a thing', /\b(cushion|pillow|throw|bolster|blanket|quilt|duvet|bedspread|bedding|slip ?cover|seat pad)s?\b/i],
  ['a thing', /\b(tap|faucet|mixer|handle|knob|pull|hinge|basin|sink|hook)s?\b/i],
  ['walls', /\bfire ?(?:pit|bowl|basket)s?\b/i],
  ['a thing', /\b(vase|bowl|candle|ornament|figurine|book)s?\b/i],
  ['floor', /\b(rug|carpet|mat|hide|floor ?cloth|doormat)s?\b/i],
  ['ceiling', /\b(ceiling (?:light|lamp|fan|rose)|pendant|chandelier|flush ?mount|downlight|spotlight)s?\b/i],
]
/**
 * By its name up to what it is for: a frame for the quilt is a frame. Most things stand before a wall; a bath mat lies on the
 * floor, and a hall runner too.
 */
export function groundOf(name: string): Ground {
  // a lamp over a table hangs, whatever else it is called
  if (/\b(lamps?|lights?|lanterns?) (?:over|above) (?:the |a )?(?:[a-z]+ )?(tables?|island|counter|desk)\b/i.test(name))
    return 'ceiling'
  const [thing = ''] = name.split(/,| (?:for|of|over|under|by|on|with|in|at|to|against) /i)
  if (/\b(hall|stair|floor|corridor|passage|landing) runner\b/i.test(thing)) return 'floor'
  return grounds.find(([, words]) => words.test(thing))?.[0] ?? 'walls'
}

/** What a piece is seen against: by its kind where somebody said it, else by its name. */
export const groundOfPiece = ({ thing, name }: Pick<Row<'piece'>, 'thing' | 'name'>): Ground =>
  groundOfKind[thing] ?? groundOf(name)
const groundOfKind: Readonly<Partial<Record<ThingKind, Ground>>> = {
  seat: 'walls',
  bed: 'walls',
  table: 'walls',
  storage: 'walls',
  shelf: 'walls',
  rug: 'floor',
  curtain: 'walls',
  textile: 'a thing',
  mirror: 'walls',
  work: 'walls',
  plant: 'walls',
  fixture: 'a thing',
  ornament: 'a thing',
}

/** A gift that is promised and has not come: it is in nobody's hand. */
export const isPromised = ({ source, promisedOn }: Pick<Row<'candidate'>, 'source' | 'promisedOn'>): boolean =>
  source === 'gift' && promisedOn !== null
