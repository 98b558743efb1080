/** What is sewn: its cloth with how it is cut, zips, cord and pads. */
import { edges, sewnFrom, sewnThings, thick, upholstered, type Edge, type SewnThing } from '../soft-goods/sewn.ts'
import { wrong } from '../soft-goods/cloth.ts'
import {
  clothWidth,
  lengthIn,
  maybeNumber,
  numberOf,
  plural,
  soldLength,
  told,
  wordOf,
  yesNo,
  type Ask,
  type Calculator,
} from './calculator.ts'

const repeat: Ask = { key: 'repeat', label: 'Repeat', as: 'length', start: 0, hint: '0 for a plain cloth' }

const ways = ['up its height', 'along its width', 'either way'] as const

export const sewn: Calculator = {
  id: 'cushions',
  title: 'Cushions and covers',
  about: 'cloth, zips, cord and pads, with how they are cut',
  asks: [
    { key: 'thing', label: 'What', as: 'choice', start: 'square cushion', options: sewnThings },
    { key: 'count', label: 'How many', as: 'number', start: 1, unit: '' },
    { key: 'size', label: 'Width', as: 'length', start: 450, hint: 'of a round one across; of a bolster its length' },
    {
      key: 'depth',
      label: 'Height or depth',
      as: 'length',
      start: 450,
      when: { key: 'thing', is: sewnThings.filter((thing) => thing !== 'round cushion') },
    },
    {
      key: 'height',
      label: 'How thick, or how far it hangs down',
      as: 'length',
      start: 80,
      when: { key: 'thing', is: [...thick, 'table cloth', 'seat pad'] },
    },
    { key: 'edge', label: 'Edge', as: 'choice', start: 'plain', options: edges },
    { key: 'flange', label: 'Width of the flange', as: 'length', start: 50, when: { key: 'edge', is: ['flange'] } },
    {
      key: 'back',
      label: 'Back of the same cloth',
      as: 'choice',
      start: 'yes',
      options: yesNo,
      when: { key: 'thing', is: sewnThings.filter((thing) => !upholstered.has(thing) && thing !== 'table cloth') },
    },
    clothWidth,
    repeat,
    { key: 'centred', label: 'Motif in the middle', as: 'choice', start: 'no', options: yesNo },
    { key: 'way', label: 'Pile or pattern runs', as: 'choice', start: ways[0], options: ways },
  ],
  reckon: (values, rules, units, heard) => {
    const thing = wordOf(values, 'thing') as SewnThing
    const count = numberOf(values, 'count')
    const width = numberOf(values, 'clothWidth')
    const found = sewnFrom(
      {
        thing,
        count,
        widthMm: numberOf(values, 'size'),
        depthMm: thing === 'round cushion' ? numberOf(values, 'size') : numberOf(values, 'depth'),
        heightMm: maybeNumber(values, 'height') ?? 0,
        edge: wordOf(values, 'edge') as Edge,
        flangeMm: maybeNumber(values, 'flange') ?? 0,
        isBackToo: wordOf(values, 'back') !== 'no',
        isCentred: wordOf(values, 'centred') === 'yes',
        hasWay: wordOf(values, 'way') !== 'either way',
        isAlong: wordOf(values, 'way') === 'along its width',
        cloth: { widthMm: width, repeatMm: maybeNumber(values, 'repeat') ?? 0, acrossMm: 0 },
      },
      rules,
      heard,
    )
    if (!found.ok) return found.field === 'width' ? wrong('clothWidth', found.error) : found
    const { panels, packing, back, zips, cordMm, bias, pads, lengthMm } = found.sewn
    const size = lengthIn(units)
    const cloth = soldLength(lengthMm, units)
    return {
      ok: true,
      headline: `${cloth.words} of cloth`,
      lines: [
        told('Panels', String(panels.length), `each with ${rules['sewn.seam']} mm beyond its seams`),
        told(
          'As they lie',
          size(packing.lengthMm),
          packing.proven
            ? 'no way of laying them is shorter'
            : `the shortest that was found; under ${size(packing.leastMm)} none can be`,
        ),
        ...(back
          ? [
              told(
                'Backs, of another cloth',
                soldLength(back.lengthMm, units).words,
                `${size(back.lengthMm)} of a cloth as wide`,
              ),
            ]
          : []),
        ...(bias
          ? [
              told(
                'Strips on the bias',
                size(bias.clothMm),
                `${plural(bias.strips, 'strip')} of ${bias.stripMm} mm at 45° for ${size(cordMm)} of cord`,
              ),
            ]
          : []),
        ...(zips ? [told('Zips', `${zips.count} × ${size(zips.lengthMm)}`)] : []),
        ...(pads ? [told('Pads', pads)] : []),
      ],
      says: [],
      packing: { packing, widthMm: width },
      ...(back ? { second: { packing: back, widthMm: width } } : {}),
      keeps: {
        name: `Cloth for ${count === 1 ? `a ${thing}` : `${count} ${thing}s`}`,
        thing: 'material',
        quantity: cloth.quantity,
        unit: cloth.unit,
      },
    }
  },
}
