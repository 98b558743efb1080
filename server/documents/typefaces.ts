/** The typefaces that papers are set in, and which of them has a letter. */
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { create, type Font } from 'fontkit'

const require = createRequire(import.meta.url)
const fileOf = (family: string, subset: string): string =>
  require.resolve(`@fontsource/${family}/files/${family}-${subset}-400-normal.woff`)

/**
 * Each face of the interface with its further letters, then one that has the scripts of Europe, and at last one drawn on a
 * grid that has every script of the basic plane: a name is never a row of question marks.
 */
const chains = {
  serif: [
    ...['latin', 'latin-ext', 'vietnamese'].map((subset) => ['newsreader', subset] as const),
    ...['greek', 'greek-ext', 'cyrillic', 'cyrillic-ext', 'latin-ext'].map((subset) => ['noto-serif', subset] as const),
    ['unifont', 'latin'] as const,
  ],
  sans: [
    ...['latin', 'latin-ext', 'vietnamese', 'cyrillic-ext'].map((subset) => ['hanken-grotesk', subset] as const),
    ...['greek', 'greek-ext', 'cyrillic', 'cyrillic-ext', 'latin-ext'].map((subset) => ['noto-sans', subset] as const),
    ['unifont', 'latin'] as const,
  ],
} as const
export type Face = keyof typeof chains

const nameOf = ([family, subset]: readonly [string, string]): string => `${family} ${subset}`

/** The shipped typefaces, for a PDF to set by their names; what is not used is not in its file. */
export function useTypefaces(pdf: PDFKit.PDFDocument): void {
  for (const [family, subset] of [...chains.serif, ...chains.sans])
    pdf.registerFont(nameOf([family, subset]), fileOf(family, subset))
}

const opened = new Map<string, Font>()
function has(face: readonly [string, string], code: number): boolean {
  const name = nameOf(face)
  const font = opened.get(name) ?? (create(readFileSync(fileOf(...face))) as Font)
  opened.set(name, font)
  return font.hasGlyphForCodePoint(code)
}

/** The name a PDF knows the first typeface of a face by: what lines are measured in. */
export const mainOf = (face: Face): string => nameOf(chains[face][0])

/** Letters that stand on the one before, or change how it looks: they stay with it. */
const belongs = /[\p{M}\u200c\u200d]/u

/** Text in runs, each in the first typeface that has its letters; what none has becomes an empty square. */
export function runs(face: Face, text: string): [font: string, text: string][] {
  const found: [string, string][] = []
  for (const letter of text.normalize('NFC').replace(/[\ufe00-\ufe0f]/g, '')) {
    const code = letter.codePointAt(0) ?? 0
    const last = found.at(-1)
    const held = code < 0x20 || code === 0xa0 || code === 0x20 || (last !== undefined && belongs.test(letter))
    const chosen = chains[face].find((entry) => has(entry, code))
    const font = held && last ? last[0] : chosen ? nameOf(chosen) : nameOf(['unifont', 'latin'])
    const said = chosen || code < 0x20 ? letter : '\u25a1'
    if (last?.[0] === font) last[1] += said
    else found.push([font, said])
  }
  return found.length > 0 ? found : [[mainOf(face), '']]
}
