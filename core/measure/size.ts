/** A size as people say it: width, depth and height in one breath. */
import type { Reading } from './decimal.ts'
import type { Habits } from './habits.ts'
import { readLength, writeLength, type LengthUnit, type UnitSystem } from './length.ts'

export type ReadSize = {
  readonly widthMm: number | null
  readonly depthMm: number | null
  readonly heightMm: number | null
}

/** “600 mm wide, 450 mm deep, 800 mm high”: what is known of it. */
export const writeSize = ({ widthMm, depthMm, heightMm }: ReadSize, units: UnitSystem): string =>
  [
    [widthMm, 'wide'],
    [depthMm, 'deep'],
    [heightMm, 'high'],
  ]
    .flatMap(([mm, word]) => (typeof mm === 'number' ? `${writeLength(mm, units)} ${word}` : []))
    .join(', ')

const sides = { w: 'widthMm', d: 'depthMm', l: 'depthMm', h: 'heightMm' } as const

/**
 * "600 x 450 x 800 mm", `3' 3" by 6' 8"`, "w 60 h 80 cm": width, depth and height in this order, or by their letters; a unit
 * at the end stands for those before it that have none. Lengths in millimetres; what is not said is null.
 */
export function readSize(text: string, bare: LengthUnit, sign: Habits['decimal'] = null): Reading<ReadSize> {
  const typed = text.trim().replace(/\s+/g, ' ')
  const lettered = /(?:^|[\s×x*,;\d"'])[wdlh](?=[\s\d×x*,;]|$)/i.test(typed)
  const parts = typed
    .split(lettered ? /(?: ?[×x*,;] ?| by | (?=[wdlh] ?\d))/i : /(?: ?[×x*;] ?| by )/i)
    .filter((part) => part !== '')
  const wrong: Reading<never> = {
    ok: false,
    error: `“${[...typed].slice(0, 24).join('')}” is not a size: expected width × depth × height, such as 600 × 450 × 800, or a part of it`,
  }
  if (parts.length === 0 || parts.length > 3) return wrong
  const unit = /(mm|cm|m|in|")$/i.exec((parts.at(-1) ?? '').replace(/ ?[wdlh]$/i, ''))?.[0]
  const shared = unit === undefined ? bare : unit === '"' ? 'in' : (unit.toLowerCase() as LengthUnit)
  const found: { -readonly [S in keyof ReadSize]: number | null } = { widthMm: null, depthMm: null, heightMm: null }
  for (const [at, part] of parts.entries()) {
    const letter = /^([wdlh]) ?(?=\d)|([wdlh])$/i.exec(part)
    const side = letter
      ? sides[(letter[1] ?? letter[2] ?? '').toLowerCase() as 'w']
      : (['widthMm', 'depthMm', 'heightMm'] as const)[at]
    const read = readLength(part.replace(/^[wdlh] ?(?=\d)/i, '').replace(/ ?[wdlh]$/i, ''), shared, sign)
    if (!read.ok) return read
    if (side === undefined || found[side] !== null) return wrong
    found[side] = read.value
  }
  return { ok: true, value: found }
}
