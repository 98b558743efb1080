/** A cutting list as an integer programme in the LP text format that HiGHS reads: bars that are opened, and pieces that lie on them. */
import type { StockLength } from '../surfaces/cuts.ts'

/** Lengths in mm; at most so many bars of each stock are opened. */
export function cuttingModel(
  pieces: readonly number[],
  stock: readonly StockLength[],
  kerfMm: number,
  mostBars = pieces.length,
): string {
  const bars = Array.from({ length: mostBars }, (_, bar) => bar).flatMap((bar) =>
    stock.map((length, kind) => ({ name: `y${bar}_${kind}`, length })),
  )
  const on = (piece: number, bar: string): string => `x${piece}_${bar}`
  const rows = [
    ...pieces.map((_, piece) => `${bars.map(({ name }) => `+ 1 ${on(piece, name)}`).join(' ')} >= 1`),
    ...bars.map(
      ({ name, length }) =>
        `+ ${length.lengthMm + kerfMm} ${name} ${pieces.map((size, piece) => `- ${size + kerfMm} ${on(piece, name)}`).join(' ')} >= 0`,
    ),
  ]
  return [
    'Minimize',
    ` cost: ${bars.map(({ name, length }) => `+ ${length.priceMinor} ${name}`).join(' ')}`,
    'Subject To',
    ...rows.map((row, at) => ` r${at}: ${row}`),
    'Binary',
    ` ${[...bars.map(({ name }) => name), ...bars.flatMap(({ name }) => pieces.map((_, piece) => on(piece, name)))].join(' ')}`,
    'End',
  ].join('\n')
}
