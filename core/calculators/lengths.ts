/** Boards for a floor, and lengths cut from what is sold. */
import { minor } from '../money/minor.ts'
import { cheapestCuts, layBoards, rectangle } from '../surfaces/index.ts'
import { wrong } from '../soft-goods/cloth.ts'
import {
  areaIn,
  lengthIn,
  listOf,
  maybeNumber,
  numberOf,
  plural,
  roomLength,
  roomWidth,
  told,
  type Calculator,
} from './calculator.ts'

export const boards: Calculator = {
  id: 'boards',
  title: 'Boards',
  about: 'packs of boards for a floor',
  asks: [
    roomLength,
    roomWidth,
    { key: 'boardLength', label: 'Length of a board', as: 'length', start: 1820 },
    { key: 'boardWidth', label: 'Width of a board', as: 'length', start: 145 },
    { key: 'pack', label: 'Boards in a pack', as: 'number', start: 8, unit: '' },
  ],
  reckon: (values, rules, units) => {
    const [long, wide, boardLong, boardWide] = ['length', 'width', 'boardLength', 'boardWidth'].map((key) =>
      numberOf(values, key),
    ) as [number, number, number, number]
    if (!(long > 0)) return wrong('length', 'is nothing: expected how long the room is')
    if (!(wide > 0)) return wrong('width', 'is nothing: expected how wide the room is')
    const pack = numberOf(values, 'pack')
    if (!Number.isInteger(pack) || pack < 1) return wrong('pack', 'is not a whole number of boards')
    const gap = rules['boards.gap']
    if (long < 300) return wrong('length', 'is under 300 mm: expected how long the room is')
    if (wide < 300) return wrong('width', 'is under 300 mm: expected how wide the room is')
    const floor = rectangle(0, 0, long - 2 * gap, wide - 2 * gap)
    const found = layBoards([floor], { lengthMm: boardLong, widthMm: boardWide }, true, rules)
    if (!found.ok) return wrong('boardLength', found.error)
    const { rows, taken, least, ripped, firstMm } = found.boarding
    const packs = Math.ceil(taken / pack)
    const size = lengthIn(units)
    return {
      ok: true,
      headline: `${plural(packs, 'pack')}, ${packs * pack} boards`,
      lines: [
        told(
          'Floor',
          areaIn((long * wide) / 1e6, units),
          `${size(long)} × ${size(wide)}, ${gap} mm left free at each wall`,
        ),
        told(
          'Rows',
          String(rows),
          ripped ? `the first ripped to ${size(firstMm)}, so that the last is not too thin` : '',
        ),
        told('Boards', String(taken), `offcuts used again; by the area alone ${least}`),
        told('Packs', String(packs), `${taken} ÷ ${pack}, rounded up`),
      ],
      says: ['They lie in their room, in their packs, for 48 hours before they are laid.'],
      packing: null,
      keeps: { name: 'Boards for the floor', thing: 'material', quantity: packs, unit: 'packs' },
    }
  },
}

export const lengths: Calculator = {
  id: 'lengths',
  title: 'Lengths',
  about: 'skirting, rails and battens from what is sold',
  asks: [
    {
      key: 'pieces',
      label: 'Pieces',
      as: 'lengths',
      start: '',
      hint: 'separated by semicolons; “3 × 1.2 m” for three alike',
    },
    { key: 'stock', label: 'Sold in lengths of', as: 'length', start: 2400, startFeet: 2438.4 },
    { key: 'further', label: 'Or of', as: 'length', start: null, hint: 'nothing for one length alone' },
    { key: 'kerf', label: 'Saw cut', as: 'length', start: 3 },
  ],
  reckon: (values, _rules, units) => {
    const pieces = listOf(values, 'pieces')
    if (pieces.length === 0) return wrong('pieces', 'are none yet: expected the lengths that are needed')
    const [stock, further, kerf] = [numberOf(values, 'stock'), maybeNumber(values, 'further'), numberOf(values, 'kerf')]
    if (!(stock > 0)) return wrong('stock', 'is nothing: expected a length that is sold')
    // by the millimetre: the least length that is bought
    const sold = [stock, ...(further === null ? [] : [further])].map((lengthMm) => ({
      lengthMm,
      priceMinor: minor(Math.round(lengthMm)),
    }))
    const found = cheapestCuts(pieces, sold, kerf)
    if (!found.ok) return wrong(/piece/.test(found.error) ? 'pieces' : 'stock', found.error)
    const { lengths: cut, proven, waste } = found.plan
    const size = lengthIn(units)
    const counts = sold.flatMap(({ lengthMm }) => {
      const count = cut.filter((bar) => bar.stock.lengthMm === lengthMm).length
      return count > 0 ? [`${count} of ${size(lengthMm)}`] : []
    })
    return {
      ok: true,
      headline: counts.join(', '),
      lines: [
        ...cut.map(({ stock: bar, pieces: from, wasteMm }, at) =>
          told(
            `Length ${at + 1}, ${size(bar.lengthMm)}`,
            from.map((piece) => size(piece)).join(' + '),
            `${size(wasteMm)} left`,
          ),
        ),
        told(
          'Left over in all',
          `${Math.round(100 * waste)} %`,
          proven ? 'no plan buys less' : 'the least that was found',
        ),
      ],
      says: [],
      packing: null,
      keeps: { name: 'Lengths', thing: 'material', quantity: cut.length, unit: 'pieces' },
    }
  },
}
