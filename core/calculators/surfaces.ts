/** Paint, paper and tiles, by a room’s measures alone: the same reckoning as on surfaces. */
import { minor } from '../money/minor.ts'
import {
  cheapestTins,
  groutKg,
  hang,
  layTiles,
  litresOf,
  litresToBuy,
  rectangle,
  type Layout,
  type Match,
} from '../surfaces/index.ts'
import { wrong } from '../soft-goods/cloth.ts'
import {
  areaIn,
  lengthIn,
  numberOf,
  plural,
  roomLength,
  roomWidth,
  told,
  wordOf,
  type Ask,
  type Calculator,
} from './calculator.ts'

const height: Ask = { key: 'height', label: 'Height of the room', as: 'length', start: 2400, startFeet: 2438.4 }
const doors: Ask = { key: 'doors', label: 'Doors', as: 'number', start: 1, unit: '' }
const windows: Ask = { key: 'windows', label: 'Windows', as: 'number', start: 1, unit: '' }
/** What a door and a window take from a wall where nobody measured them, in m². */
const [doorM2, windowM2] = [1.7, 1.4]
/** A litre in a large tin costs less: as it is usual, a tin twice as large costs three quarters more. */
const dearness = 0.8
/** What paint is sold in, in ml. */
const [tinsMl, tinsPints] = [
  [750, 2500, 5000, 10_000],
  [946, 3785, 18_927],
]

export const paint: Calculator = {
  id: 'paint',
  title: 'Paint',
  about: 'litres for the walls of a room',
  asks: [
    roomLength,
    roomWidth,
    height,
    doors,
    windows,
    { key: 'coats', label: 'Coats', as: 'number', start: 2, unit: '' },
    {
      key: 'rate',
      label: 'A litre covers',
      as: 'number',
      start: 10,
      unit: 'm²',
      hint: 'as the tin says; bare or rough walls 7',
    },
    { key: 'ceiling', label: 'The ceiling too', as: 'choice', start: 'no', options: ['no', 'yes'] },
  ],
  reckon: (values, rules, units) => {
    const [long, wide, high] = ['length', 'width', 'height'].map((key) => numberOf(values, key)) as [
      number,
      number,
      number,
    ]
    if (!(long > 0)) return wrong('length', 'is nothing: expected how long the room is')
    if (!(wide > 0)) return wrong('width', 'is nothing: expected how wide the room is')
    if (!(high > 0)) return wrong('height', 'is nothing: expected how high the room is')
    const [coats, rate] = [numberOf(values, 'coats'), numberOf(values, 'rate')]
    if (!Number.isInteger(coats) || coats < 1 || coats > 9) return wrong('coats', 'are not 1 to 9')
    if (!(rate > 0)) return wrong('rate', 'is nothing: expected m² a litre, as the tin says')
    const walls = (2 * (long + wide) * high) / 1e6
    const open = numberOf(values, 'doors') * doorM2 + numberOf(values, 'windows') * windowM2
    if (!(open >= 0) || open >= walls) return wrong('windows', 'and doors take more than there is of wall')
    const ceiling = wordOf(values, 'ceiling') === 'yes' ? (long * wide) / 1e6 : 0
    const m2 = walls - open + ceiling
    const litres = litresOf([{ name: 'walls', m2, coats, rate }]) ?? 0
    const buy = litresToBuy(litres, 0, rules)
    const sizes = units === 'metric' ? tinsMl : tinsPints
    const set = cheapestTins(
      Math.ceil(buy * 1000),
      sizes.map((holds) => ({ holds, priceMinor: minor(Math.round(10 * holds ** dearness)) })),
    )
    const size = lengthIn(units)
    const said = (set?.counts ?? []).flatMap((count, at) =>
      count > 0 ? [`${count} × ${(sizes[at] ?? 0) / 1000} l`] : [],
    )
    return {
      ok: true,
      headline: `${buy.toFixed(1)} l`,
      lines: [
        told('Walls', areaIn(walls, units), `2 × (${size(long)} + ${size(wide)}) × ${size(high)}`),
        told('Doors and windows', `− ${areaIn(open, units)}`, `${doorM2} m² a door, ${windowM2} m² a window`),
        ...(ceiling > 0 ? [told('Ceiling', areaIn(ceiling, units), `${size(long)} × ${size(wide)}`)] : []),
        told('Paint', `${litres.toFixed(2)} l`, `${areaIn(m2, units)} × ${coats} ÷ ${rate} m² a litre`),
        told('Kept for touching up', `${rules['paint.reserve']} l`),
        told('In tins', said.join(', '), 'as it is sold, larger tins for less a litre'),
      ],
      says: [],
      packing: null,
      keeps: { name: 'Paint for the walls', thing: 'material', quantity: Math.ceil(buy * 10) / 10, unit: 'l' },
    }
  },
}

export const paper: Calculator = {
  id: 'paper',
  title: 'Wallpaper',
  about: 'rolls for walls, by strips',
  asks: [
    { key: 'run', label: 'Length of wall', as: 'length', start: null, hint: 'all walls one after the other' },
    height,
    { key: 'rollWidth', label: 'Width of a roll', as: 'length', start: 530 },
    { key: 'rollLength', label: 'Length of a roll', as: 'length', start: 10_050 },
    { key: 'match', label: 'Match', as: 'choice', start: 'straight', options: ['free', 'straight', 'half-drop'] },
    { key: 'repeat', label: 'Repeat', as: 'length', start: 530, when: { key: 'match', is: ['straight', 'half-drop'] } },
  ],
  reckon: (values, rules, units) => {
    const [run, high] = [numberOf(values, 'run'), numberOf(values, 'height')]
    if (!(run > 0)) return wrong('run', 'is nothing: expected how long the walls are')
    if (!(high > 0)) return wrong('height', 'is nothing: expected how high the walls are')
    const match = wordOf(values, 'match') as Match
    const roll = {
      widthMm: numberOf(values, 'rollWidth'),
      lengthMm: numberOf(values, 'rollLength'),
      match,
      repeatMm: match === 'free' ? 0 : numberOf(values, 'repeat'),
    }
    const found = hang([{ name: 'the wall', lengthMm: run, heightMm: high, holes: [] }], roll, rules)
    if (!found.ok) return wrong(/repeat/.test(found.error) ? 'repeat' : 'rollLength', found.error)
    const { strips, fewest, inOrder, spare } = found.paper
    const rolls = fewest.rolls + spare
    const size = lengthIn(units)
    return {
      ok: true,
      headline: plural(rolls, 'roll'),
      lines: [
        told('Strips', String(strips), `${size(run)} ÷ ${size(roll.widthMm)}, rounded up`),
        told(
          'A strip',
          size(high + rules['paper.trim']),
          `${size(high)} and ${rules['paper.trim']} mm to trim, cut where the pattern begins`,
        ),
        told(
          'Rolls',
          String(fewest.rolls),
          `cut one after the other ${inOrder.rolls}; ${fewest.proven ? 'no fewer can do' : 'the fewest that were found'}`,
        ),
        ...(spare > 0 ? [told('To lay by', plural(spare, 'roll'), 'of the same batch')] : []),
      ],
      says: ['Doors and windows are not taken off: over and under them short strips are cut from the same rolls.'],
      packing: null,
      keeps: { name: 'Paper for the walls', thing: 'material', quantity: rolls, unit: 'rolls' },
    }
  },
}

export const tiles: Calculator = {
  id: 'tiles',
  title: 'Tiles',
  about: 'tiles and boxes for a wall or a floor',
  asks: [
    { key: 'width', label: 'Width of the area', as: 'length', start: null },
    { key: 'height', label: 'Height or depth', as: 'length', start: null },
    { key: 'tileWidth', label: 'Width of a tile', as: 'length', start: 150 },
    { key: 'tileHeight', label: 'Height of a tile', as: 'length', start: 150 },
    { key: 'joint', label: 'Joint', as: 'length', start: 2 },
    {
      key: 'layout',
      label: 'Laid',
      as: 'choice',
      start: 'grid',
      options: ['grid', 'half', 'third', 'diagonal', 'herringbone'],
    },
    { key: 'box', label: 'Tiles in a box', as: 'number', start: 1, unit: '' },
  ],
  reckon: (values, rules, units) => {
    const [wide, high, tileWide, tileHigh, joint] = ['width', 'height', 'tileWidth', 'tileHeight', 'joint'].map((key) =>
      numberOf(values, key),
    ) as [number, number, number, number, number]
    if (!(wide > 0)) return wrong('width', 'is nothing: expected how wide the area is')
    if (!(high > 0)) return wrong('height', 'is nothing: expected how high or deep the area is')
    if (!(joint >= 0) || joint > 50) return wrong('joint', 'is not 0 to 50 mm')
    const box = numberOf(values, 'box')
    if (!Number.isInteger(box) || box < 1) return wrong('box', 'is not a whole number of tiles')
    const tile = { widthMm: tileWide, heightMm: tileHigh, jointMm: joint }
    const layout = wordOf(values, 'layout') as Layout
    const found = layTiles(
      [rectangle(0, 0, wide, high)],
      tile,
      { layout, turned: false, startMm: 0, upMm: 0, reuse: false },
      rules,
    )
    if (!found.ok) return wrong('tileWidth', found.error)
    const { whole, cut, toBuy, slivers } = found.tiling
    if (whole + cut === 0) return wrong('width', 'leaves no area to lay a tile on: expected more of it')
    const boxes = Math.ceil(toBuy / box)
    const m2 = (wide * high) / 1e6
    const size = lengthIn(units)
    return {
      ok: true,
      headline: box > 1 ? `${plural(boxes, 'box', 'boxes')}, ${boxes * box} tiles` : plural(toBuy, 'tile'),
      lines: [
        told('Area', areaIn(m2, units), `${size(wide)} × ${size(high)}`),
        told('Laid from the middle', `${whole} whole, ${cut} cut`),
        told('With what breaks', plural(toBuy, 'tile'), `(${whole} + ${cut}) × 1.03, rounded up`),
        ...(box > 1 ? [told('In boxes', String(boxes), `${toBuy} ÷ ${box}, rounded up`)] : []),
        told('Grout', `${groutKg(m2, tile, 8, rules).toFixed(1)} kg`, 'for tiles 8 mm thick'),
      ],
      says:
        slivers > 0
          ? [
              'Laid from the middle of a tile it leaves slivers under a third at the edges: begin with a joint in the middle instead.',
            ]
          : [],
      packing: null,
      keeps: {
        name: 'Tiles',
        thing: 'material',
        quantity: box > 1 ? boxes : toBuy,
        unit: box > 1 ? 'boxes' : 'pieces',
      },
    }
  },
}
