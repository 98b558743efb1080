/** A Roman blind, and a lamp shade, with what they are cut from. */
import { blindFor } from '../soft-goods/blinds.ts'
import { boughtBlind } from '../soft-goods/bought-blinds.ts'
import type { Wrong } from '../soft-goods/cloth.ts'
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
  type Answer,
  type Calculator,
  type Values,
} from './calculator.ts'
import type { UnitSystem } from '../measure/length.ts'
import type { Rules } from '../rulebook/rulebook.ts'

const isRoman = { key: 'kind', is: ['Roman blind'] }

export const blind: Calculator = {
  id: 'blind',
  title: 'A blind',
  about: 'Roman, roller or pleated: its size, cloth, and how deep it hangs',
  asks: [
    {
      key: 'kind',
      label: 'Which',
      as: 'choice',
      start: 'Roman blind',
      options: ['Roman blind', 'roller blind', 'pleated blind'],
    },
    { key: 'width', label: 'Width of the window', as: 'length', start: null },
    { key: 'height', label: 'Height of the window', as: 'length', start: null },
    {
      key: 'where',
      label: 'Hung',
      as: 'choice',
      start: 'inside the recess',
      options: ['inside the recess', 'before the wall'],
    },
    { ...clothWidth, when: isRoman },
    { key: 'repeat', label: 'Repeat', as: 'length', start: 0, hint: '0 for a plain cloth', when: isRoman },
    {
      key: 'centred',
      label: 'Stripe or motif in the middle',
      as: 'choice',
      start: 'no',
      options: yesNo,
      when: isRoman,
    },
  ],
  reckon: (values, rules, units) => {
    const kind = wordOf(values, 'kind')
    if (kind === 'roller blind' || kind === 'pleated blind') return bought(kind, values, rules, units)
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

/** A blind that is ordered by its size. */
function bought(
  kind: 'roller blind' | 'pleated blind',
  values: Values,
  rules: Rules,
  units: UnitSystem,
): Answer | Wrong {
  const opening = { widthMm: numberOf(values, 'width'), heightMm: numberOf(values, 'height') }
  const found = boughtBlind(kind, opening, wordOf(values, 'where') === 'inside the recess', rules)
  if (!found.ok) return found
  const { widthMm, dropMm, clothWideMm, gapMm, stackMm, folds } = found.blind
  const size = lengthIn(units)
  return {
    ok: true,
    headline: `${size(widthMm)} × ${size(dropMm)} to order`,
    lines: [
      told('To order', `${size(widthMm)} × ${size(dropMm)}`),
      ...(kind === 'roller blind'
        ? [told('Its cloth', size(clothWideMm), 'pins and chain take the rest')]
        : [told('Folds', String(folds))]),
      told('Up, it hangs', size(stackMm)),
      ...(gapMm > 0 ? [told('Light at each side', size(gapMm))] : []),
    ],
    says: ['Without a cord where children are; else its loop held tight, out of their reach.'],
    packing: null,
    keeps: {
      name: kind.replace(/^./, (letter) => letter.toUpperCase()),
      thing: 'curtain',
      quantity: 1,
      unit: 'pieces',
    },
  }
}

/** From this width on a drum has uprights, and how far one is from the next round it (common practice). */
const uprightsFromMm = 500
const uprightEveryMm = 400

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
    // a stiff sheet keeps a small drum up by itself
    const uprights = across > uprightsFromMm ? Math.max(4, Math.ceil((Math.PI * across) / uprightEveryMm)) : 0
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
        ...(uprights > 0
          ? [told('Uprights', `${uprights} of ${size(high)}`, 'between the rings of so wide a drum')]
          : []),
        told('Tape', size(tapeMm)),
      ],
      cuts: [
        { part: 'Ring', count: rings, size: `${size(across)} across` },
        ...(uprights > 0 ? [{ part: 'Upright', count: uprights, size: size(high) }] : []),
        { part: 'Stiff sheet', count: 1, size: both(sheet) },
        { part: 'Cloth', count: 1, size: both(cloth) },
      ],
      says: ['The lamp stays as far from the sheet as its own label says; a cool one is usual.'],
      packing: null,
      keeps: { name: 'Lamp shade', thing: 'light', quantity: 1, unit: 'pieces' },
    }
  },
}
