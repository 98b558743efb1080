export { step } from './step.ts'
export { clash, compare, seenWords, type Clash, type Comparison, type Swatch } from './compare.ts'
export { asSwatch, labOf } from './colour-of.ts'
export { reckonPalette, type FinishReckoning, type Palette, type PairClash } from './finishes.ts'
export { balanceCures, clashCures, staysBecause, type Cure } from './cure.ts'
export { fromLibrary, library, searchLibrary, type LibraryFinish } from './library.ts'
export { byLamp, colourantOf, type ByLamp } from './lamp.ts'
export { nearestFinish } from './nearest.ts'
export { averageReadings, readAperture, type Aperture, type Averaged, type MeterReading } from './reading.ts'
export { lightsSeen, unseenByLamp } from './samples.ts'
export { suggest, wants, type Ask, type Suggestion, type Suggestions, type Want } from './suggest.ts'
export {
  drawTile,
  lean,
  repeatsOf,
  sheenOver,
  shineOf,
  texturesOf,
  type Look,
  type Print,
  type Stop,
  type Tile,
} from './texture/index.ts'
export { coloursOf, holdAgainst, tieOf, type Cell, type PieceColours, type Tie } from './ties.ts'
export { type Place, type Spread } from './places.ts'
export { type Balance, type RoleBalance, type SeenArea } from './balance.ts'
export { type Apart, type Standing } from './contrast.ts'
export { repeatOf, scaleOf, type Variety } from './variety.ts'
export { groupOf, hueName, lrvWords, undertone, type Undertone, type UndertoneGroup } from './undertone.ts'
