export { drawTile, type Look, type Tile } from './draw.ts'
export { repeatsOf, type Print } from './prints.ts'
export { texturesOf } from './reliefs.ts'
export { lean, sheenOver, shineOf, type Stop } from './sheen.ts'
