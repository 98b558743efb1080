/** Things of board with their cutting lists: a shelf on battens, a pinboard. */
import { pinboardOf, shelfOn } from '../soft-goods/joinery.ts'
import { lengthIn, maybeNumber, numberOf, told, wordOf, type Calculator } from './calculator.ts'

const ends = ['between two walls', 'against one', 'free'] as const

export const shelf: Calculator = {
  id: 'shelf',
  title: 'A shelf on battens',
  about: 'the board, its battens and screws',
  asks: [
    { key: 'width', label: 'Width of the alcove', as: 'length', start: null, hint: 'where it is narrowest' },
    { key: 'depth', label: 'Depth of the shelf', as: 'length', start: 250 },
    { key: 'ends', label: 'Its ends', as: 'choice', start: ends[0], options: ends },
    { key: 'count', label: 'How many', as: 'number', start: 1, unit: '' },
  ],
  reckon: (values, rules, units) => {
    const at = ends.findIndex((name) => name === wordOf(values, 'ends'))
    const count = Math.max(1, Math.round(numberOf(values, 'count') || 1))
    const found = shelfOn(numberOf(values, 'width'), numberOf(values, 'depth'), at === 0 ? 2 : at === 1 ? 1 : 0, rules)
    if (!found.ok) return found
    const { board, backMm, sideMm, sides, screws } = found.shelf
    const size = lengthIn(units)
    const batten = size(rules['shelf.batten'])
    return {
      ok: true,
      headline: `${count === 1 ? '' : `${count} boards of `}${size(board.lengthMm)} × ${size(board.depthMm)}`,
      lines: [
        told(
          'Board',
          `${size(board.lengthMm)} × ${size(board.depthMm)}`,
          sides > 0 ? `${rules['shelf.play']} mm of play` : '',
        ),
        told('Batten along the back', size(backMm), `${batten} thick`),
        ...(sides > 0
          ? [
              told(
                sides === 2 ? 'Battens at the sides' : 'Batten at the side',
                `${sides} × ${size(sideMm)}`,
                `its depth less the batten behind, and ${rules['shelf.back']} mm back from the front`,
              ),
            ]
          : []),
        told('Battens in all', size(count * (backMm + sides * sideMm))),
        told('Screws and plugs', String(count * screws), `one every ${rules['shelf.screw']} mm`),
      ],
      says: [
        'Measure the alcove at each shelf: walls are seldom square. Look for pipes and cables before drilling.',
        ...(sides === 0 && board.depthMm > 250
          ? ['Deep and free at both ends it tips off a batten: brackets under it.']
          : []),
      ],
      packing: null,
      cuts: [
        { part: 'Board', count, size: `${size(board.lengthMm)} × ${size(board.depthMm)}` },
        { part: 'Batten, back', count, size: size(backMm) },
        ...(sides > 0 ? [{ part: 'Batten, side', count: count * sides, size: size(sideMm) }] : []),
      ],
      keeps: { name: 'Shelf on battens', thing: 'shelf', quantity: count, unit: 'pieces' },
    }
  },
}

export const pinboard: Calculator = {
  id: 'pinboard',
  title: 'A pinboard',
  about: 'board, wadding, cloth and ribbon',
  asks: [
    { key: 'width', label: 'Width', as: 'length', start: null },
    { key: 'height', label: 'Height', as: 'length', start: null },
    { key: 'every', label: 'Ribbons every', as: 'length', start: 0, hint: '0 for none' },
  ],
  reckon: (values, rules, units) => {
    const found = pinboardOf(
      numberOf(values, 'width'),
      numberOf(values, 'height'),
      maybeNumber(values, 'every') ?? 0,
      rules,
    )
    if (!found.ok) return found
    const { board, cloth, ribbonMm, crossings } = found.pinboard
    const size = lengthIn(units)
    const both = ({ widthMm, heightMm }: { widthMm: number; heightMm: number }): string =>
      `${size(widthMm)} × ${size(heightMm)}`
    return {
      ok: true,
      headline: `${both(cloth)} of cloth`,
      lines: [
        told('Soft board', both(board)),
        told('Wadding', both(board)),
        told('Cloth', both(cloth), `${rules['sewn.tuck']} mm drawn round every edge`),
        ...(ribbonMm > 0
          ? [
              told('Ribbon', size(ribbonMm), 'both ways on the diagonal, turned over the edges'),
              told('Studs', `about ${crossings}`, 'where they cross'),
            ]
          : []),
      ],
      says: [],
      packing: null,
      cuts: [
        { part: 'Soft board', count: 1, size: both(board) },
        { part: 'Wadding', count: 1, size: both(board) },
        { part: 'Cloth', count: 1, size: both(cloth) },
      ],
      keeps: { name: 'Pinboard', thing: 'work', quantity: 1, unit: 'pieces' },
    }
  },
}
