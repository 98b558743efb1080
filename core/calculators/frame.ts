/** A frame, and made or bought. */
import { minor, minus, zero } from '../money/minor.ts'
import { framedAs, glazings, readyMade, type Glazing } from '../soft-goods/framing.ts'
import { madeOrBought } from '../soft-goods/make-or-buy.ts'
import { lengthIn, maybeNumber, numberOf, told, wordOf, yesNo, type Calculator } from './calculator.ts'

/** Two to twelve, as it is typed. */
const several = Array.from({ length: 11 }, (_, at) => String(at + 2))

const oldFrame = 'an old frame used again'
const inOld = { key: 'frame', is: [oldFrame] }

export const frame: Calculator = {
  id: 'frame',
  title: 'A frame',
  about: 'mat, glass, moulding and weight for a picture',
  asks: [
    { key: 'size', label: 'Width of the picture', as: 'length', start: null },
    { key: 'high', label: 'Height of the picture', as: 'length', start: null },
    { key: 'count', label: 'Alike in one mat', as: 'number', start: 1, unit: '' },
    { key: 'between', label: 'Between their openings', as: 'length', start: 40, when: { key: 'count', is: several } },
    { key: 'border', label: 'Border of the mat', as: 'length', start: 60, hint: 'nothing for no mat' },
    { key: 'fillet', label: 'Fillet that is seen', as: 'length', start: 0 },
    { key: 'frame', label: 'Its frame', as: 'choice', start: 'a new moulding', options: ['a new moulding', oldFrame] },
    { key: 'oldWidth', label: 'Width that fits into the old frame', as: 'length', start: null, when: inOld },
    { key: 'oldHeight', label: 'Height that fits into it', as: 'length', start: null, when: inOld },
    { key: 'slip', label: 'Slip inside it', as: 'length', start: 0, when: inOld },
    { key: 'frames', label: 'Framed alike', as: 'number', start: 1, unit: '' },
    { key: 'face', label: 'Face of the moulding', as: 'length', start: 20 },
    { key: 'depth', label: 'Depth of the moulding', as: 'length', start: 25 },
    { key: 'glazing', label: 'Before it', as: 'choice', start: 'glass', options: glazings },
    { key: 'valued', label: 'Worth keeping', as: 'choice', start: 'no', options: yesNo },
    { key: 'sun', label: 'Sun on that wall', as: 'choice', start: 'no', options: yesNo },
    { key: 'window', label: 'Opposite a window', as: 'choice', start: 'no', options: yesNo },
  ],
  reckon: (values, rules, units) => {
    const isOld = wordOf(values, 'frame') === oldFrame
    const frames = maybeNumber(values, 'frames') ?? 1
    const found = framedAs(
      {
        widthMm: numberOf(values, 'size'),
        heightMm: numberOf(values, 'high'),
        count: numberOf(values, 'count'),
        betweenMm: maybeNumber(values, 'between') ?? 0,
        borderMm: maybeNumber(values, 'border'),
        filletMm: maybeNumber(values, 'fillet') ?? 0,
        faceMm: numberOf(values, 'face'),
        depthMm: numberOf(values, 'depth'),
        glazing: wordOf(values, 'glazing') as Glazing,
        isValued: wordOf(values, 'valued') === 'yes',
        inSun: wordOf(values, 'sun') === 'yes',
        facesWindow: wordOf(values, 'window') === 'yes',
        school: wordOf(values, 'school') === 'shop' ? 'shop frames' : 'archival',
        old: isOld ? { widthMm: numberOf(values, 'oldWidth'), heightMm: numberOf(values, 'oldHeight') } : null,
        slipMm: isOld ? (maybeNumber(values, 'slip') ?? 0) : 0,
        frames,
      },
      rules,
    )
    if (!found.ok) return found
    const { seen, opening, border, glass, mouldingMm, outer, weightKg, says } = found.framed
    const ready =
      border && !isOld && numberOf(values, 'count') === 1 ? readyMade(seen, units !== 'metric', rules) : null
    const size = lengthIn(units)
    const both = ({ widthMm, heightMm }: { widthMm: number; heightMm: number }): string =>
      `${size(widthMm)} × ${size(heightMm)}`
    return {
      ok: true,
      headline: `${both(outer)} outside`,
      lines: [
        told('What is seen', both(seen), opening ? `the mat covers ${rules['frame.overlap']} mm at each edge` : ''),
        ...(opening && border
          ? [
              told('Opening of the mat', both(opening)),
              told(
                'Its borders',
                `${size(border.sidesMm)}, ${size(border.footMm)} at the foot`,
                isOld ? `${size(border.topMm)} at the top: what the old frame leaves` : '',
              ),
            ]
          : []),
        told('Glass and backing', both(glass)),
        ...(isOld
          ? []
          : [
              told(
                'Moulding',
                size(mouldingMm),
                `${frames > 1 ? `${frames} × ` : ''}(2 × (width + height) of the glass + 8 × face, for the mitres)`,
              ),
            ]),
        told('Weight', `${weightKg.toFixed(1)} kg`, frames > 1 ? 'each' : ''),
        ...(ready
          ? [
              told(
                'Or ready-made',
                both(ready),
                `its mat cut to leave ${size(ready.sidesMm)} at the sides, ${size(ready.topMm)} above and ${size(ready.footMm)} below`,
              ),
            ]
          : []),
      ],
      says,
      packing: null,
      framed: found.framed,
      keeps: { name: 'Frame', thing: 'work', quantity: frames, unit: 'pieces' },
    }
  },
}

export const makeOrBuy: Calculator = {
  id: 'make-or-buy',
  title: 'Make or buy',
  about: 'supplies and hours against a price',
  asks: [
    { key: 'supplies', label: 'Supplies, in whole packs', as: 'amount', start: 0 },
    { key: 'hire', label: 'Hire', as: 'amount', start: 0 },
    { key: 'hours', label: 'Hours it takes', as: 'number', start: 4, unit: 'h' },
    { key: 'rate', label: 'An hour costs', as: 'amount', start: 2000 },
    { key: 'bought', label: 'Bought it costs', as: 'amount', start: 10_000 },
  ],
  reckon: (values) => {
    const amount = (key: string) => minor(Math.round(numberOf(values, key) || 0))
    const found = madeOrBought({
      supplies: [{ packs: 1, priceMinor: amount('supplies') }],
      hireMinor: amount('hire'),
      hours: numberOf(values, 'hours'),
      rateMinor: amount('rate'),
      boughtMinor: amount('bought'),
    })
    if (!found.ok) return found
    const { suppliesMinor, workMinor, madeMinor, savedMinor, equalHours, equalRateMinor } = found.found
    const plain = (value: number): string => (value / 100).toFixed(2)
    return {
      ok: true,
      headline:
        savedMinor === 0
          ? 'The same'
          : savedMinor > 0
            ? `Made saves ${plain(savedMinor)}`
            : `Bought saves ${plain(minus(zero, savedMinor))}`,
      lines: [
        told('Supplies and hire', plain(suppliesMinor)),
        told('Work', plain(workMinor), `${numberOf(values, 'hours')} h`),
        told('Made', plain(madeMinor)),
        ...(equalHours === null ? [] : [told('Equal at', `${equalHours.toFixed(1)} h`, 'at that rate')]),
        ...(equalRateMinor === null ? [] : [told('Or at', `${plain(equalRateMinor)} an hour`, 'in those hours')]),
      ],
      says:
        equalRateMinor === null && numberOf(values, 'hours') > 0
          ? ['Bought is cheaper before an hour is counted.']
          : [],
      packing: null,
      keeps: { name: 'Made at home', thing: 'other', quantity: 1, unit: 'pieces' },
    }
  },
}
