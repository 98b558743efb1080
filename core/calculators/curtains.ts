/** Curtain cloth with all that hangs it, by the window or the pole. */
import { curtainsFor, poleFor, type Match } from '../soft-goods/curtains.ts'
import { wrong } from '../soft-goods/cloth.ts'
import { fullnessOf, fullnessRange } from '../soft-goods/headings.ts'
import {
  clothWidth,
  lengthIn,
  maybeNumber,
  numberOf,
  soldLength,
  told,
  wordOf,
  yesNo,
  type Calculator,
} from './calculator.ts'

const isHeading = (word: string): word is keyof typeof fullnessRange => Object.hasOwn(fullnessRange, word)
export const curtains: Calculator = {
  id: 'curtains',
  title: 'Curtains',
  about: 'cloth, lining, hooks and a pole',
  asks: [
    { key: 'opening', label: 'Width of the window', as: 'length', start: null },
    {
      key: 'track',
      label: 'Length of the pole or track',
      as: 'length',
      start: null,
      hint: 'nothing: by the width of the window',
    },
    { key: 'drop', label: 'Drop, from the hooks down', as: 'length', start: null },
    {
      key: 'heading',
      label: 'Heading',
      as: 'choice',
      start: 'pleated',
      options: [...Object.keys(fullnessRange), 'own'],
    },
    {
      key: 'fullness',
      label: 'Fullness',
      as: 'number',
      start: 2,
      unit: '× the track',
      when: { key: 'heading', is: ['own'] },
    },
    { key: 'count', label: 'Hung as', as: 'choice', start: 'a pair', options: ['a pair', 'one'] },
    { key: 'returns', label: 'Back to the wall, each end', as: 'length', start: 0 },
    clothWidth,
    { key: 'match', label: 'Pattern', as: 'choice', start: 'free', options: ['free', 'straight', 'half-drop'] },
    { key: 'repeat', label: 'Repeat', as: 'length', start: 640, when: { key: 'match', is: ['straight', 'half-drop'] } },
    { key: 'lined', label: 'Lined', as: 'choice', start: 'yes', options: yesNo },
  ],
  reckon: (values, rules, units) => {
    const opening = maybeNumber(values, 'opening')
    const pole = opening === null ? null : poleFor({ widthMm: opening, topMm: 0 }, null, rules)
    const track = maybeNumber(values, 'track') ?? pole?.lengthMm ?? Number.NaN
    if (!(track > 0)) return wrong('opening', 'is nothing: expected how wide the window is, or the length of the pole')
    const heading = wordOf(values, 'heading')
    const fullness = isHeading(heading) ? fullnessOf(heading) : numberOf(values, 'fullness')
    const match = wordOf(values, 'match') as Match
    const isPair = wordOf(values, 'count') === 'a pair'
    const width = numberOf(values, 'clothWidth')
    const found = curtainsFor(
      {
        trackMm: track,
        returnMm: numberOf(values, 'returns'),
        dropMm: numberOf(values, 'drop'),
        fullness,
        isPair,
        cloth: { widthMm: width, repeatMm: match === 'free' ? 0 : numberOf(values, 'repeat'), acrossMm: 0, match },
        liningMm: wordOf(values, 'lined') === 'yes' ? width : null,
        glass: opening === null ? null : { widthMm: opening, besideMm: Math.max(0, (track - opening) / 2) },
      },
      rules,
    )
    if (!found.ok) return found.field === 'width' ? wrong('clothWidth', found.error) : found
    const made = found.curtains
    const size = lengthIn(units)
    const turned = made.turnedMm !== null && made.turnedMm < made.metresMm ? made.turnedMm : null
    const cloth = soldLength(turned ?? made.metresMm, units)
    return {
      ok: true,
      headline: `${cloth.words} of cloth`,
      lines: [
        told(
          'Pole or track',
          size(track),
          maybeNumber(values, 'track') === null ? `${rules['curtain.beside']} mm beyond the window on each side` : '',
        ),
        told(
          'Flat',
          size(made.flatMm),
          `(track, returns${isPair ? `, ${rules['curtain.overlap']} mm overlap` : ''}) × ${fullness}, and ${rules['curtain.side-hem']} mm at each edge`,
        ),
        ...(turned === null
          ? [
              told(
                'Widths',
                `${made.widths}${isPair ? `, ${made.widthsEach} each` : ''}`,
                `÷ ${size(width)}, rounded up`,
              ),
              told(
                'Cut drop',
                size(made.cutDropMm),
                `${size(made.rawDropMm)} with heading and hem${made.cutDropMm > made.rawDropMm ? ', up to whole repeats' : ''}`,
              ),
            ]
          : [told('Turned on its side', size(turned), 'the cloth is as wide as the drop: no seams')]),
        ...(made.liningMm === null
          ? []
          : [told('Lining', soldLength(made.liningMm, units).words, `${size(made.rawDropMm)} a width`)]),
        told('Heading tape', soldLength(made.tapeMm, units).words),
        told('Hooks or rings', String(made.hooks), `one every ${rules['curtain.hook-gap']} mm of the closed curtain`),
        told('Brackets', String(made.brackets)),
        ...(made.freeMm === null
          ? []
          : [
              told(
                'Glass that stays free',
                size(made.freeMm),
                `they stack to ${size(made.stackMm)} when they are open`,
              ),
            ]),
      ],
      says: [
        ...(made.spareMm > 100 && turned === null
          ? [`Each drop leaves ${size(made.spareMm)} of the last repeat: tie-backs, or a cushion.`]
          : []),
        'Cords and chains out of a child’s reach, tied to a cleat.',
      ],
      packing: null,
      keeps: { name: 'Curtain cloth', thing: 'material', quantity: cloth.quantity, unit: cloth.unit },
    }
  },
}
