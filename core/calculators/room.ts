/** The size of a rug, and the light of a room, by a few measures. */
import { lumensFor, usualSizes } from '../placement/index.ts'
import { wrong } from '../soft-goods/cloth.ts'
import { areaIn, lengthIn, maybeNumber, numberOf, plural, told, wordOf, type Calculator } from './calculator.ts'

/** By the standard or the handbooks: what a place is lit to, in lux. */
const luxFor: Readonly<Record<string, number>> = {
  'to live by': 150,
  'to cook by': 300,
  'to read or write': 500,
  'to groom': 400,
}
/** A lamp as it is usual, in lumens. */
const usualLamp = 806

export const rug: Calculator = {
  id: 'rug',
  title: 'A rug',
  about: 'the size for a seating group or a table',
  asks: [
    {
      key: 'under',
      label: 'Under',
      as: 'choice',
      start: 'front legs',
      options: ['front legs', 'all legs', 'a dining table'],
    },
    { key: 'wide', label: 'The group or table, across', as: 'length', start: null },
    { key: 'deep', label: 'And deep', as: 'length', start: null, hint: 'of a group from front legs to front legs' },
    { key: 'roomWide', label: 'Width of the room', as: 'length', start: null, hint: 'nothing if nobody measured it' },
    { key: 'roomLong', label: 'Length of the room', as: 'length', start: null },
  ],
  reckon: (values, rules, units) => {
    const [wide, deep] = [numberOf(values, 'wide'), numberOf(values, 'deep')]
    if (!(wide > 0)) return wrong('wide', 'is nothing: expected how wide the group or the table is')
    if (!(deep > 0)) return wrong('deep', 'is nothing: expected how deep the group or the table is')
    const under = wordOf(values, 'under')
    const more =
      under === 'a dining table' ? rules['rug.dining'] : under === 'all legs' ? rules['rug.beyond'] : rules['rug.under']
    // under front legs it reaches in on the two sides where seats stand, and is as long as their span
    const need = under === 'front legs' ? [wide, deep + 2 * more] : [wide + 2 * more, deep + 2 * more]
    const [short, long] = need.toSorted((left, right) => left - right) as [number, number]
    const [roomWide, roomLong] = [maybeNumber(values, 'roomWide'), maybeNumber(values, 'roomLong')]
    const isSmall = roomWide !== null && roomLong !== null && (roomWide * roomLong) / 1e6 < 10
    const bare = isSmall ? rules['rug.wall-small'] : rules['rug.wall']
    const most = [roomWide, roomLong]
      .map((side) => (side === null ? Infinity : side - 2 * bare))
      .toSorted((left, right) => left - right) as [number, number]
    const sizes = usualSizes(units).toSorted(
      (left, right) => left.widthMm * left.lengthMm - right.widthMm * right.lengthMm,
    )
    const fits = sizes.filter(({ widthMm, lengthMm }) => widthMm <= most[0] && lengthMm <= most[1])
    const enough = fits.find(({ widthMm, lengthMm }) => widthMm >= short && lengthMm >= long)
    const size = lengthIn(units)
    const write = ({ widthMm, lengthMm }: { widthMm: number; lengthMm: number }): string =>
      `${size(widthMm)} × ${size(lengthMm)}`
    const largest = fits.at(-1)
    const chosen = enough ?? largest
    if (!chosen) return wrong('roomWide', 'leaves no room for a usual size with floor bare at the walls')
    return {
      ok: true,
      headline: write(chosen),
      lines: [
        told(
          'At least',
          write({ widthMm: short, lengthMm: long }),
          under === 'front legs' ? `${more} mm under the front legs` : `${more} mm beyond on each side`,
        ),
        ...(most[1] === Infinity
          ? []
          : [told('At most', write({ widthMm: most[0], lengthMm: most[1] }), `${bare} mm of floor bare at each wall`)]),
        told('The next usual size', write(chosen), 'between two sizes the larger'),
      ],
      says: enough
        ? []
        : [
            'No usual size is large enough for that: two joined along their lengths, a larger one layered under it, or one made to measure.',
          ],
      packing: null,
      keeps: { name: 'Rug', thing: 'rug', quantity: 1, unit: 'pieces' },
    }
  },
}

export const light: Calculator = {
  id: 'light',
  title: 'Light',
  about: 'lumens for a room, and how many lamps',
  asks: [
    { key: 'length', label: 'Length of the room', as: 'length', start: null },
    { key: 'width', label: 'Width of the room', as: 'length', start: null },
    { key: 'for', label: 'Lit', as: 'choice', start: 'to live by', options: Object.keys(luxFor) },
    { key: 'lamp', label: 'A lamp gives', as: 'number', start: usualLamp, unit: 'lm' },
  ],
  reckon: (values, rules, units) => {
    const [long, wide, lamp] = [numberOf(values, 'length'), numberOf(values, 'width'), numberOf(values, 'lamp')]
    if (!(long > 0)) return wrong('length', 'is nothing: expected how long the room is')
    if (!(wide > 0)) return wrong('width', 'is nothing: expected how wide the room is')
    if (!(lamp > 0)) return wrong('lamp', 'is nothing: expected what one lamp gives')
    const m2 = (long * wide) / 1e6
    const lux = luxFor[wordOf(values, 'for')] ?? 150
    const lumens = lumensFor(lux, m2, rules)
    const lamps = Math.max(1, Math.ceil(lumens / lamp - 1e-9))
    return {
      ok: true,
      headline: `${Math.round(lumens / 10) * 10} lm, ${plural(lamps, 'lamp')}`,
      lines: [
        told('Floor', areaIn(m2, units), `${lengthIn(units)(long)} × ${lengthIn(units)(wide)}`),
        told('Lit to', `${lux} lx`, 'evenly over the room'),
        told(
          'Lumens',
          `${Math.round(lumens)} lm`,
          `lx × m² ÷ (${rules['light.utilisation'] / 100} × ${rules['light.upkeep'] / 100})`,
        ),
        told('Lamps', String(lamps), `÷ ${lamp} lm, rounded up`),
      ],
      says: [
        'Better from several places and heights than from one in the middle: some of it overhead, some by the seats, some on the walls.',
      ],
      packing: null,
      keeps: { name: 'Lamps', thing: 'light', quantity: lamps, unit: 'pieces' },
    }
  },
}
