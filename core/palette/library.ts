/**
 * The library that ships: generic finishes of no maker, each with a believable colour, how it is worked, what gives it
 * its colour and what it stands up to. Our own, from what such materials usually look like: a beginning, never a sample.
 */
import { labFromLch, type Lab } from '../colour/lab.ts'
import type { Colourant } from '../colour/reflectance.ts'
import { joinSeveral, uses, type Family, type Sheen, type Texture, type Use } from '../makeover/choices.ts'

export type LibraryFinish = {
  /** Its name, and what it is known by. */
  readonly name: string
  readonly family: Family
  readonly texture: Texture
  readonly sheen: Sheen
  readonly lab: Lab
  readonly colourant: Colourant
  /** What it stands up to, as a finish row keeps it. */
  readonly suits: string
}

/** Name, L*, C*, h. */
type Line = readonly [name: string, L: number, C: number, h: number]
type Make = {
  readonly family: Family
  readonly texture?: Texture
  readonly sheen?: Sheen
  readonly colourant: Colourant
  readonly suits?: readonly Use[]
}

const make = (
  { family, texture = 'usual', sheen = 'matt', colourant, suits = [] }: Make,
  ...lines: readonly Line[]
): LibraryFinish[] =>
  lines.map(([name, L, C, h]) => ({
    name,
    family,
    texture,
    sheen,
    lab: labFromLch(L, C, h),
    colourant,
    suits: joinSeveral(uses, suits),
  }))

export const library: readonly LibraryFinish[] = [
  ...make(
    { family: 'paint', colourant: 'white' },
    ['True white', 96, 0.8, 100],
    ['White, faint yellow cast', 95, 3.2, 96],
    ['White, yellow cast', 94, 5.8, 95],
    ['White, cream', 93, 8.6, 92],
    ['White, peach cast', 93, 5.2, 66],
    ['White, pink cast', 93, 4.2, 24],
    ['White, violet cast', 92, 3.4, 312],
    ['White, blue cast', 93, 3.8, 246],
    ['White, green cast', 93, 4, 150],
    ['White, faint grey', 91, 1.1, 110],
    ['White, grey green cast', 90, 3.6, 128],
    ['White, stone cast', 89, 6.2, 84],
  ),
  ...make(
    { family: 'paint', sheen: 'satin', colourant: 'white', suits: ['scrub'] },
    ['Trim white, true', 95, 1, 105],
    ['Trim white, faint yellow', 94, 3.4, 95],
    ['Trim white, warm', 93, 5.5, 88],
    ['Trim white, cool', 93, 2.8, 240],
    ['Trim white, peach', 92, 4.6, 68],
  ),
  ...make(
    { family: 'paint', colourant: 'white' },
    ['Pale grey, true', 82, 0.9, 240],
    ['Pale grey, warm', 81, 4.2, 82],
    ['Pale grey, green cast', 80, 4.4, 140],
    ['Pale grey, blue cast', 80, 4.8, 248],
    ['Pale grey, violet cast', 79, 4.2, 306],
    ['Middle grey, true', 62, 0.8, 200],
    ['Middle grey, warm', 61, 5, 78],
    ['Middle grey, green cast', 60, 5.6, 146],
    ['Middle grey, blue cast', 60, 6.4, 252],
    ['Deep grey, warm', 38, 4.6, 70],
    ['Deep grey, blue cast', 36, 6, 256],
    ['Deep grey, green cast', 35, 5.2, 158],
  ),
  ...make(
    { family: 'paint', colourant: 'mineral' },
    ['Beige, yellow', 82, 10.5, 86],
    ['Beige, pink', 80, 8, 48],
    ['Beige, green', 79, 9, 104],
    ['Oat', 76, 11.4, 82],
    ['Straw, pale', 86, 22, 94],
    ['Sand', 73, 18, 80],
    ['Clay, pale', 71, 17, 56],
    ['Putty', 68, 9.5, 88],
    ['Mushroom', 62, 8.4, 62],
    ['Flax', 70, 20, 88],
    ['Earth, light', 55, 22, 66],
    ['Earth, dark', 36, 18, 58],
  ),
  ...make(
    { family: 'paint', colourant: 'mineral' },
    ['Ochre, pale', 80, 34, 88],
    ['Ochre', 68, 48, 82],
    ['Ochre, deep', 55, 46, 76],
    ['Terracotta, pale', 72, 26, 52],
    ['Terracotta', 52, 42, 48],
    ['Brick', 42, 40, 40],
    ['Rust', 45, 48, 54],
    ['Oxide red', 34, 36, 34],
    ['Plaster pink', 78, 14, 38],
    ['Rose earth', 62, 22, 26],
    ['Umber', 32, 14, 70],
    ['Brown black', 18, 5, 60],
  ),
  ...make(
    { family: 'paint', colourant: 'dye' },
    ['Red, clear', 42, 58, 30],
    ['Wine', 26, 32, 12],
    ['Berry', 34, 38, 354],
    ['Rose', 68, 30, 6],
    ['Coral', 64, 46, 40],
    ['Apricot', 78, 36, 66],
    ['Yellow, soft', 87, 38, 92],
    ['Yellow, strong', 80, 66, 86],
    ['Olive, pale', 70, 24, 106],
    ['Olive', 50, 30, 108],
    ['Moss', 44, 26, 118],
    ['Leaf green', 52, 36, 132],
    ['Sage, pale', 76, 10.8, 132],
    ['Sage', 64, 14, 138],
    ['Grey green', 54, 13, 150],
    ['Bottle green', 26, 22, 156],
    ['Sea green', 58, 24, 178],
    ['Teal', 42, 26, 206],
    ['Teal, deep', 28, 18, 210],
    ['Water blue', 76, 14, 222],
    ['Grey blue', 60, 14, 242],
    ['Sky blue', 74, 22, 246],
    ['Blue, clear', 46, 40, 268],
    ['Ink blue', 24, 24, 268],
    ['Night blue', 18, 14, 262],
    ['Slate', 42, 9.6, 250],
    ['Lavender', 70, 18, 302],
    ['Plum', 30, 22, 334],
    ['Aubergine', 20, 14, 340],
    ['Mauve grey', 58, 12.4, 330],
    ['Black, warm', 14, 2.4, 60],
    ['Black, blue', 14, 4, 262],
  ),
  ...make(
    { family: 'paint', sheen: 'eggshell', colourant: 'mineral', suits: ['scrub', 'wet'] },
    ['Eggshell cream', 90, 10.8, 92],
    ['Eggshell stone', 74, 9, 86],
    ['Eggshell clay', 58, 20, 54],
    ['Eggshell sage', 66, 12.6, 134],
    ['Eggshell grey blue', 56, 12.8, 244],
    ['Eggshell deep green', 30, 18, 158],
  ),
  ...make(
    { family: 'paint', sheen: 'gloss', colourant: 'dye', suits: ['scrub', 'wet'] },
    ['Gloss black', 12, 1.2, 250],
    ['Gloss red', 40, 56, 32],
    ['Gloss green', 28, 26, 156],
    ['Gloss blue', 28, 26, 266],
    ['Gloss cream', 91, 9.6, 92],
  ),
  ...make(
    { family: 'paint', texture: 'plaster', colourant: 'mineral', suits: ['wet'] },
    ['Lime plaster, white', 90, 4.4, 88],
    ['Lime plaster, sand', 76, 14, 80],
    ['Lime plaster, rose', 72, 16, 42],
    ['Clay plaster, ochre', 66, 30, 76],
    ['Clay plaster, grey', 66, 5.4, 84],
    ['Clay plaster, earth', 48, 20, 60],
  ),
  ...make(
    { family: 'wood', colourant: 'wood', suits: ['traffic'] },
    ['Ash, oiled', 78, 20, 80],
    ['Birch, oiled', 80, 20, 78],
    ['Beech, oiled', 71, 25, 66],
    ['Maple, oiled', 77, 22, 74],
    ['Oak, soaped', 72, 20, 78],
    ['Oak, oiled', 61, 27, 72],
    ['Oak, smoked', 38, 15, 66],
    ['Oak, grey', 60, 7.6, 80],
    ['Elm, oiled', 50, 24, 60],
    ['Chestnut, oiled', 56, 26, 68],
    ['Larch, oiled', 64, 33, 70],
    ['Pine, oiled', 73, 34, 76],
    ['Pine, limed', 81, 15, 84],
    ['Bamboo', 70, 30, 78],
  ),
  ...make(
    { family: 'wood', sheen: 'satin', colourant: 'wood', suits: ['traffic', 'scrub'] },
    ['Walnut, varnished', 40, 20, 58],
    ['Cherry, varnished', 50, 33, 54],
    ['Mahogany, varnished', 33, 27, 44],
    ['Teak, varnished', 48, 30, 64],
    ['Oak, varnished', 58, 33, 70],
    ['Pine, varnished', 68, 42, 74],
    ['Rosewood, varnished', 26, 17, 40],
    ['Ebonised wood', 17, 3.2, 55],
  ),
  ...make(
    { family: 'metal', texture: 'brushed', sheen: 'satin', colourant: 'metal', suits: ['scrub', 'wet'] },
    ['Brass, brushed', 72, 34, 86],
    ['Brass, brushed, pink', 70, 30, 74],
    ['Copper, brushed', 64, 33, 56],
    ['Bronze, brushed', 46, 20, 68],
    ['Nickel, brushed', 70, 5.6, 88],
    ['Steel, brushed', 70, 1.4, 220],
    ['Aluminium, brushed', 76, 1.2, 240],
    ['Pewter', 55, 2.4, 120],
  ),
  ...make(
    { family: 'metal', texture: 'polished', sheen: 'gloss', colourant: 'metal', suits: ['scrub', 'wet'] },
    ['Brass, polished', 76, 40, 88],
    ['Copper, polished', 68, 38, 58],
    ['Nickel, polished', 77, 6.2, 86],
    ['Chrome', 80, 2.6, 248],
    ['Gold, polished', 80, 44, 84],
  ),
  ...make(
    { family: 'metal', texture: 'aged', colourant: 'metal' },
    ['Brass, aged', 48, 24, 84],
    ['Copper, aged', 40, 20, 54],
    ['Bronze, dark', 27, 9, 66],
    ['Iron, blacked', 20, 1.2, 260],
    ['Zinc, weathered', 58, 3, 230],
    ['Lead, old', 48, 3.4, 240],
  ),
  ...make(
    { family: 'metal', texture: 'leaf', sheen: 'satin', colourant: 'metal' },
    ['Gold leaf', 74, 42, 82],
    ['Silver leaf', 80, 3, 95],
    ['Copper leaf', 62, 34, 56],
  ),
  ...make(
    { family: 'textile', colourant: 'dye', suits: [] },
    ['Linen, unbleached', 72, 14, 82],
    ['Linen, white', 90, 4.6, 92],
    ['Linen, grey', 60, 4.2, 86],
    ['Linen, deep blue', 28, 18, 264],
    ['Linen, moss', 46, 20, 116],
    ['Linen, rust', 46, 38, 50],
    ['Cotton, white', 93, 2.4, 98],
    ['Cotton, indigo', 30, 22, 270],
    ['Cotton, mustard', 66, 50, 84],
    ['Cotton, rose', 66, 26, 10],
  ),
  ...make(
    { family: 'textile', colourant: 'dye', suits: ['traffic'] },
    ['Wool, oatmeal', 74, 12.6, 84],
    ['Wool, charcoal', 30, 2, 250],
    ['Wool, loden', 32, 13, 140],
    ['Wool, madder', 38, 40, 34],
    ['Wool, natural brown', 38, 12.6, 66],
    ['Sisal', 64, 22, 82],
    ['Jute', 60, 24, 76],
    ['Flatweave, grey blue', 52, 12.8, 244],
  ),
  ...make(
    { family: 'textile', colourant: 'dye', suits: ['sun', 'wet', 'scrub'] },
    ['Outdoor cloth, sand', 76, 14, 82],
    ['Outdoor cloth, grey', 56, 2, 240],
    ['Outdoor cloth, green', 40, 22, 150],
    ['Outdoor cloth, navy', 24, 18, 268],
  ),
  ...make(
    { family: 'plush', colourant: 'dye' },
    ['Velvet, bottle green', 28, 20, 156],
    ['Velvet, night blue', 22, 18, 266],
    ['Velvet, rust', 40, 38, 48],
    ['Velvet, plum', 26, 22, 340],
    ['Velvet, ochre', 58, 46, 78],
    ['Velvet, grey', 54, 2.4, 250],
    ['Velvet, blush', 70, 15, 32],
    ['Chenille, cream', 84, 10, 88],
    ['Sheepskin', 88, 9, 86],
  ),
  ...make(
    { family: 'plush', colourant: 'dye', suits: ['traffic'] },
    ['Pile rug, ivory', 84, 9.4, 88],
    ['Pile rug, brick', 40, 36, 40],
    ['Pile rug, indigo', 30, 20, 270],
    ['Felt, grey', 62, 1.4, 90],
  ),
  ...make(
    { family: 'leather', colourant: 'dye', suits: ['traffic', 'scrub'] },
    ['Leather, natural', 62, 36, 66],
    ['Leather, cognac', 44, 38, 56],
    ['Leather, dark brown', 28, 16, 54],
    ['Leather, black', 16, 1.2, 60],
    ['Leather, olive', 38, 18, 104],
    ['Leather, oxblood', 28, 28, 24],
  ),
  ...make(
    { family: 'stone', sheen: 'satin', colourant: 'mineral', suits: ['traffic', 'wet', 'sun', 'scrub'] },
    ['Marble, white', 90, 1.8, 100],
    ['Marble, grey', 66, 2, 240],
    ['Marble, green', 34, 12.8, 160],
    ['Limestone, cream', 82, 10, 84],
    ['Limestone, grey', 68, 4, 92],
    ['Sandstone, yellow', 72, 24, 80],
    ['Slate, blue', 38, 4.6, 250],
    ['Slate, green', 42, 5.4, 150],
    ['Granite, black', 22, 0.9, 240],
    ['Travertine', 76, 12.8, 78],
  ),
  ...make(
    {
      family: 'stone',
      texture: 'terrazzo',
      sheen: 'satin',
      colourant: 'mineral',
      suits: ['traffic', 'wet', 'sun', 'scrub'],
    },
    ['Terrazzo, white', 84, 3.4, 92],
    ['Terrazzo, grey', 62, 2, 120],
    ['Terrazzo, rose', 70, 13, 40],
    ['Terrazzo, green', 54, 12.4, 158],
  ),
  ...make(
    { family: 'stone', texture: 'tile', colourant: 'mineral', suits: ['traffic', 'wet', 'sun', 'scrub'] },
    ['Quarry tile, red', 44, 36, 44],
    ['Quarry tile, black', 24, 2, 50],
    ['Cement tile, sand', 72, 15, 80],
    ['Cement tile, grey', 58, 2.4, 100],
  ),
  ...make(
    { family: 'ceramic', texture: 'tile', sheen: 'gloss', colourant: 'white', suits: ['wet', 'sun', 'scrub'] },
    ['Wall tile, white', 93, 1.6, 110],
    ['Wall tile, cream', 89, 9.6, 90],
    ['Wall tile, pink', 80, 10.6, 20],
    ['Wall tile, sea green', 62, 20, 170],
    ['Wall tile, bottle green', 30, 24, 156],
    ['Wall tile, ink blue', 28, 26, 268],
    ['Wall tile, black', 14, 1, 250],
  ),
  ...make(
    { family: 'ceramic', sheen: 'gloss', colourant: 'mineral', suits: ['wet', 'sun', 'scrub'] },
    ['Stoneware, oat', 72, 14, 80],
    ['Stoneware, celadon', 74, 12.6, 152],
    ['Earthenware, red', 48, 38, 46],
  ),
  ...make(
    { family: 'glass', sheen: 'gloss', colourant: 'mineral', suits: ['wet', 'sun', 'scrub'] },
    ['Glass, clear, in mass', 80, 4.4, 160],
    ['Glass, bottle green', 40, 28, 140],
    ['Glass, amber', 56, 52, 74],
    ['Glass, smoke', 36, 3, 70],
    ['Opal glass', 92, 2.6, 94],
  ),
  ...make(
    { family: 'paper', colourant: 'dye' },
    ['Paper, raw', 84, 8.6, 86],
    ['Paper, white', 94, 1.4, 100],
    ['Grasscloth, straw', 74, 21, 86],
    ['Grasscloth, grey', 62, 6, 90],
    ['Wallpaper ground, blue', 58, 18, 248],
    ['Wallpaper ground, sage', 70, 12.4, 134],
    ['Wallpaper ground, rose', 78, 12.6, 28],
  ),
  ...make(
    { family: 'cane', colourant: 'wood' },
    ['Cane, natural', 72, 28, 80],
    ['Cane, smoked', 48, 22, 70],
    ['Willow, buff', 60, 30, 70],
    ['Rattan, dark', 34, 18, 62],
    ['Seagrass', 62, 20, 94],
  ),
  ...make(
    { family: 'greenery', colourant: 'leaf' },
    ['Broad leaf, dark', 34, 26, 126],
    ['Fern', 48, 38, 122],
    ['Ivy', 36, 22, 130],
    ['Olive leaf', 54, 14, 118],
    ['Silver leaf plant', 64, 10, 130],
    ['Young leaf', 62, 48, 114],
    ['Blue-green succulent', 58, 13, 166],
    ['Moss, live', 44, 34, 114],
  ),
]

/** A finish of the library by its name. */
export const fromLibrary = (name: string): LibraryFinish | undefined => byName.get(name)
const byName = new Map(library.map((libraryFinish) => [libraryFinish.name, libraryFinish]))

/** Finishes whose name or make holds all the words, of a family if one is given, in the library's order. */
export function searchLibrary(text: string, family: Family | null = null): LibraryFinish[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean)
  return library.filter(
    (libraryFinish) =>
      (family === null || libraryFinish.family === family) &&
      words.every((word) =>
        `${libraryFinish.name} ${libraryFinish.family} ${libraryFinish.texture} ${libraryFinish.sheen} ${libraryFinish.suits}`
          .toLowerCase()
          .includes(word),
      ),
  )
}
