/** A Roman blind, and a lamp shade, with what they are cut from. */
import { blindFor } from '../soft-goods/blinds.ts'
import { drumShade, shadeForFoot } from '../soft-goods/shades.ts'
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

export const blind: Calculator = {
  id: 'blind',
  title: 'A Roman blind',
  about: 'its size, cloth, folds and how deep it hangs',
  asks: [
    { key: 'width', label: 'Width of the window', as: 'length', start: null },
    { key: 'height', label: 'Height of the window', as: 'length', start: null },
    {
      key: 'where',
      label: 'Hung',
      as: 'choice',
      start: 'inside the recess',
      options: ['inside the recess', 'before the wall'],
    },
    clothWidth,
    { key: 'repeat', label: 'Repeat', as: 'length', start: 0, hint: '0 for a plain cloth' },
    { key: 'centred', label: 'Stripe or motif in the middle', as: 'choice', start: 'no', options: yesNo },
  ],
  reckon: (values, rules, units) => {
    const found = blindFor(
      {
        widthMm: numberOf(values, 'width'),
        heightMm: numberOf(values, 'height'),
        isInside: wordOf(values, 'where') === 'inside the recess',
        cloth: { widthMm: numberOf(values, 'clothWidth'), repeatMm: maybeNumber(values, 'repeat') ?? 0, acrossMm: 0 },
        isCentred: wordOf(values, 'centred') === 'yes',
      },
      rules,
    )
    if (!found.ok) return found
    const { widthMm, dropMm, cutWidthMm, cutDropMm, widths, clothMm, folds, foldMm, rods, stackMm } = found.blind
    const size = lengthIn(units)
    const cloth = soldLength(clothMm, units)
    return {
      ok: true,
      headline: `${cloth.words} of cloth`,
      lines: [
        told('Finished', `${size(widthMm)} × ${size(dropMm)}`),
        told(
          'Cut',
          `${size(cutWidthMm)} × ${size(cutDropMm)}`,
          `${rules['blind.side']} mm at each side, ${rules['blind.top']} at the top, ${rules['blind.hem']} at the foot`,
        ),
        ...(widths > 1
          ? [told('Widths', String(widths), 'a whole one in the middle, the rest in two at its sides')]
          : []),
        told('Lining', soldLength(clothMm, units).words),
        told('Folds', `${folds} of ${size(foldMm)}`, `${rods} rods; the lowest part is half a fold`),
        told('Up, it hangs', size(stackMm), 'of glass that is covered, if it hangs in the recess'),
      ],
      says: ['Cords with a safety device, their ends out of a child’s reach, tied to a cleat.'],
      packing: null,
      keeps: { name: 'Cloth for a Roman blind', thing: 'material', quantity: cloth.quantity, unit: cloth.unit },
    }
  },
}

export const shade: Calculator = {
  id: 'shade',
  title: 'A lamp shade',
  about: 'a drum: rings, sheet, cloth and tape',
  asks: [
    {
      key: 'foot',
      label: 'Height of the lamp’s foot',
      as: 'length',
      start: null,
      hint: 'nothing, if its size is known',
    },
    { key: 'across', label: 'Across', as: 'length', start: null, hint: 'nothing: by the foot' },
    { key: 'height', label: 'How high', as: 'length', start: null, hint: 'nothing: by the foot' },
  ],
  reckon: (values, rules, units) => {
    const foot = maybeNumber(values, 'foot')
    const usual = foot === null ? null : shadeForFoot(foot)
    const across = maybeNumber(values, 'across') ?? usual?.acrossMm ?? Number.NaN
    const high = maybeNumber(values, 'height') ?? usual?.heightMm ?? Number.NaN
    const found = drumShade(across, high, rules)
    if (!found.ok) return found
    const { sheet, cloth, rings, tapeMm } = found.shade
    const size = lengthIn(units)
    const both = ({ widthMm, heightMm }: { widthMm: number; heightMm: number }): string =>
      `${size(widthMm)} × ${size(heightMm)}`
    return {
      ok: true,
      headline: `${size(across)} across, ${size(high)} high`,
      lines: [
        told('Rings', `${rings} of ${size(across)}`, 'one with the fitting'),
        told('Stiff sheet', both(sheet), `π × ${size(across)} and ${rules['shade.lap']} mm to lap`),
        told('Cloth', both(cloth), `${rules['shade.tab']} mm turned over each ring`),
        told('Tape', size(tapeMm)),
      ],
      says: ['The lamp stays as far from the sheet as its own label says; a cool one is usual.'],
      packing: null,
      keeps: { name: 'Lamp shade', thing: 'light', quantity: 1, unit: 'pieces' },
    }
  },
}
