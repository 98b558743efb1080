import { rowsOf, type Makeover } from '../makeover/document.ts'

export type Recurring = { readonly word: string; readonly clippings: readonly string[] }
export type Collection = {
  readonly materials: readonly Recurring[]
  readonly hues: readonly Recurring[]
  readonly words: readonly Recurring[]
}

/** What recurs in the pictures that were collected: each material, hue and word with the clippings it is in, most first. */
export function recurring(makeover: Makeover): Collection {
  const clippings = rowsOf(makeover, 'inspiration')
  const count = (listOf: (clipping: (typeof clippings)[number]) => string): Recurring[] => {
    const found = new Map<string, Set<string>>()
    for (const clipping of clippings)
      for (const word of wordsIn(listOf(clipping))) {
        const names = found.get(word) ?? new Set()
        found.set(word, names.add(clipping.name))
      }
    return [...found]
      .map(([word, names]) => ({ word, clippings: [...names] }))
      .sort((left, right) => right.clippings.length - left.clippings.length || (left.word < right.word ? -1 : 1))
  }
  return {
    materials: count((inspiration) => inspiration.materials),
    hues: count((inspiration) => inspiration.hues),
    words: count((inspiration) => inspiration.words),
  }
}

/** Words parted by commas or semicolons, in small letters, each once. */
export const wordsIn = (list: string): string[] => [
  ...new Set(
    list
      .split(/[,;]/)
      .map((word) => word.trim().toLocaleLowerCase('en'))
      .filter((word) => word !== ''),
  ),
]
