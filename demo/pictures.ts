/** Pictures for the demo, drawn by us: simple scenes in a few colours, as SVG. */
import { blank } from '#core/makeover/blank.ts'
import { add, type ChangeSet, type Operation } from '#core/makeover/change.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'

type Scene = 'doors' | 'cloth' | 'hall' | 'field' | 'page' | 'bowl' | 'tiles' | 'line' | 'lamps' | 'bench' | 'rug'
const picture = (scene: Scene, ...colours: readonly string[]) => ({ scene, colours })

/** What each clipping of the demo shows, by its name. */
export const pictures: Readonly<Record<string, { readonly scene: Scene; readonly colours: readonly string[] }>> = {
  'Boat shed doors': picture('doors', '#83a7ad', '#5d7b82', '#c59c5f', '#dfe4e4'),
  'The quilt, unfolded': picture('cloth', '#5d3d55', '#83a7ad', '#b99f72', '#8a5a6b'),
  'Rehearsal in a barn': picture('hall', '#b99f72', '#c59c5f', '#6d4a30', '#efe3c8'),
  'Field after harvest': picture('field', '#c9b27a', '#8b6f49', '#d8dde0', '#6f5a40'),
  'Ink on a score': picture('page', '#f3ecdb', '#191919', '#d8cfb8', '#3a3a3a'),
  'A bowl by the sink': picture('bowl', '#3f857c', '#e8e4da', '#b7b2a6', '#275e57'),
  'A dairy in June': picture('tiles', '#eef0ea', '#d5dad0', '#64704c', '#b89a72'),
  'Tablecloth on a line': picture('line', '#f3ecdb', '#a84f33', '#cfd8d6', '#7f8d6a'),
  'Station café': picture('lamps', '#3e4a38', '#d9a441', '#b89a72', '#5f4a33'),
  'Jam on a white plate': picture('bowl', '#a84f33', '#f4f1ea', '#d9d4c8', '#7d3320'),
  'Potting bench': picture('bench', '#cfa46a', '#8f9597', '#9c5a44', '#9fb7c4'),
  'Rag rugs at a fair': picture('rug', '#9c5a44', '#9fb7c4', '#c4972c', '#7d6a58'),
}

const [wide, high] = [480, 320]
const box = (x: number, y: number, w: number, h: number, fill: string): string =>
  `<rect x="${x}" y="${y}" width="${w}" height="${h}" fill="${fill}"/>`
const disc = (x: number, y: number, rx: number, ry: number, fill: string): string =>
  `<ellipse cx="${x}" cy="${y}" rx="${rx}" ry="${ry}" fill="${fill}"/>`
const times = (count: number, draw: (at: number) => string): string =>
  Array.from({ length: count }, (_, at) => draw(at)).join('')

const scenes: Readonly<Record<Scene, (a: string, b: string, c: string, d: string) => string>> = {
  doors: (a, b, c, d) =>
    box(0, 0, wide, high, d) +
    box(0, 250, wide, 70, c) +
    times(
      2,
      (at) =>
        box(70 + at * 178, 40, 168, 210, a) +
        times(6, (plank) => box(70 + at * 178 + plank * 28, 40, 3, 210, b)) +
        box(70 + at * 178, 130, 168, 12, b),
    ),
  cloth: (a, b, c, d) =>
    box(0, 0, wide, high, a) +
    times(
      24,
      (at) =>
        box(
          (at % 6) * 80 + 4,
          Math.floor(at / 6) * 80 + 4,
          72,
          72,
          [b, c, d, a][(at * 7 + Math.floor(at / 6)) % 4] ?? a,
        ) + box((at % 6) * 80 + 24, Math.floor(at / 6) * 80 + 24, 32, 32, [d, a, b, c][at % 4] ?? b),
    ),
  hall: (a, b, c, d) =>
    box(0, 0, wide, high, a) +
    times(7, (at) => box(at * 72, 0, 10, 230, c)) +
    box(0, 230, wide, 90, b) +
    disc(240, 130, 60, 60, d) +
    box(150, 190, 20, 80, c) +
    box(310, 190, 20, 80, c),
  field: (a, b, c, d) =>
    box(0, 0, wide, 150, c) +
    box(0, 150, wide, 170, a) +
    times(
      14,
      (at) =>
        `<path d="M${240 + (at - 7) * 14} 150 L${240 + (at - 7) * 90} 320" stroke="${at % 2 ? b : d}" stroke-width="5"/>`,
    ),
  page: (a, b, c, d) =>
    box(0, 0, wide, high, d) +
    box(60, 24, 360, 272, a) +
    times(
      4,
      (at) =>
        times(5, (line) => box(84, 60 + at * 58 + line * 7, 312, 1.5, c)) +
        times(9, (note) => disc(100 + note * 33, 62 + at * 58 + ((note * 5 + at * 3) % 5) * 7, 6, 4.5, b)),
    ),
  bowl: (a, b, c, d) =>
    box(0, 0, wide, high, b) +
    box(0, 220, wide, 100, c) +
    disc(240, 236, 140, 26, d) +
    `<path d="M120 150 Q240 330 360 150 Z" fill="${a}"/>` +
    disc(240, 150, 120, 24, d),
  tiles: (a, b, c, d) =>
    box(0, 0, wide, high, b) +
    times(40, (at) => box((at % 8) * 60 + 2, Math.floor(at / 8) * 48 + 2, 56, 44, a)) +
    box(0, 240, wide, 80, d) +
    box(60, 180, 50, 60, c) +
    box(350, 190, 70, 50, c),
  line: (a, b, c, d) =>
    box(0, 0, wide, 220, c) +
    box(0, 220, wide, 100, d) +
    `<path d="M0 50 Q240 74 480 50" stroke="#5c5c5c" stroke-width="2" fill="none"/>` +
    box(90, 60, 300, 180, a) +
    times(10, (at) => box(104 + at * 30, 60, 6, 180, b)),
  lamps: (a, b, c, d) =>
    box(0, 0, wide, high, a) +
    times(
      3,
      (at) =>
        box(118 + at * 120, 0, 3, 80, d) +
        `<path d="M${90 + at * 120} 120 L${150 + at * 120} 120 L${132 + at * 120} 78 L${108 + at * 120} 78 Z" fill="${b}"/>`,
    ) +
    box(0, 230, wide, 90, c),
  bench: (a, b, c, d) =>
    box(0, 0, wide, high, d) +
    box(40, 150, 400, 24, b) +
    times(
      8,
      (at) =>
        box(48 + (at % 4) * 98, 180 + Math.floor(at / 4) * 56, 90, 48, at % 3 === 0 ? c : a) +
        disc(93 + (at % 4) * 98, 204 + Math.floor(at / 4) * 56, 6, 6, b),
    ) +
    times(3, (at) => box(90 + at * 120, 100, 44, 50, c)),
  rug: (a, b, c, d) =>
    box(0, 0, wide, high, d) +
    times(16, (at) => disc(240, 160, 232 - at * 14, 150 - at * 9, [a, b, c, d][at % 4] ?? a)),
}

/** The picture of a clipping as SVG; nothing where none was drawn for it. */
function pictureOf(name: string): string | null {
  const found = pictures[name]
  if (!found) return null
  const [a = '#888888', b = a, c = a, d = b] = found.colours
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${wide}" height="${high}" viewBox="0 0 ${wide} ${high}">${scenes[found.scene](a, b, c, d)}</svg>`
}

/** A till receipt for an order of the demo, marked as made up. */
const receiptOf = (seller: string, lines: readonly string[], sum: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="360" height="${190 + lines.length * 26}">${box(0, 0, 360, 190 + lines.length * 26, '#f7f6f2')}<g font-family="monospace" font-size="15" fill="#222"><text x="24" y="44" font-size="20">${escaped(seller)}</text><text x="24" y="72">Receipt, made up for the demo</text>${lines.map((line, at) => `<text x="24" y="${110 + at * 26}">${escaped(line)}</text>`).join('')}<text x="24" y="${140 + lines.length * 26}" font-size="18">${escaped(sum)}</text></g></svg>`
const escaped = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;')

/** A view of a room as it was, grey and full, and as it is: drawn by us, the same room from the same spot, a little off as by hand. */
function viewOf(name: string, moment: 'before' | 'after'): string {
  const seed = [...name].reduce((sum, letter) => sum + letter.charCodeAt(0), 0) % 5
  const [wall, floor, wood, cloth] =
    moment === 'before' ? ['#c9c4ba', '#8d857a', '#7a6a58', '#9a9a96'] : ['#9fb7c4', '#b7906a', '#cfa46a', '#9c5a44']
  const room =
    box(0, 0, wide, high, wall) +
    box(0, 220, wide, 100, floor) +
    box(60 + seed * 20, 50, 110, 120, moment === 'before' ? '#dfe3e2' : '#eef3f4') +
    box(112 + seed * 20, 50, 4, 120, wood)
  const things =
    moment === 'before'
      ? times(6, (at) => box(210 + at * 40, 150 - (at % 3) * 26, 34, 90 + (at % 3) * 26, at % 2 === 0 ? wood : cloth))
      : box(220, 170, 190, 16, wood) +
        box(232, 186, 10, 70, wood) +
        box(388, 186, 10, 70, wood) +
        disc(315, 60, 46, 20, cloth) +
        box(313, 0, 4, 44, '#3a3a3a') +
        times(3, (at) => disc(250 + at * 60, 256, 26, 12, cloth))
  const shift = moment === 'after' ? ' transform="translate(6 4) rotate(0.6)"' : ''
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${wide}" height="${high}" viewBox="0 0 ${wide} ${high}">${box(0, 0, wide, high, wall)}<g${shift}>${room}${things}</g></svg>`
}

/** What hangs on the things of a makeover: the drawn pictures of its clippings, and a receipt on its first order. */
export async function hung(
  changeSets: readonly ChangeSet[],
  today: PlainDate,
  newId: () => string,
  keep: (svg: string) => Promise<{ sha256: string; bytes: number }>,
): Promise<Operation[]> {
  const puts = changeSets
    .flatMap((changeSet) => changeSet.operations)
    .flatMap((operation) => (operation.op === 'put' && operation.base === null ? [operation] : []))
  const order = puts.find((operation) => operation.kind === 'order')
  const scenes = puts.flatMap(({ kind, id, fields }) => {
    const svg = kind === 'inspiration' && typeof fields.name === 'string' ? pictureOf(fields.name) : null
    return svg ? [{ svg, name: `${String(fields.name)}.png`, on: { inspirationId: id } }] : []
  })
  const views = puts.flatMap(({ kind, id, fields }) =>
    kind === 'view'
      ? (['before', 'after'] as const).map((moment) => ({
          svg: viewOf(String(fields.name), moment),
          name: `${String(fields.name)}, ${moment}.png`,
          on: { viewId: id, moment },
        }))
      : [],
  )
  const all = [
    ...scenes,
    ...views,
    ...(order
      ? [{ svg: receiptOf('Receipt', ['as ordered'], 'paid'), name: 'receipt.png', on: { orderId: order.id } }]
      : []),
  ]
  const operations: Operation[] = []
  for (const { svg, name, on } of all)
    operations.push(
      add('attachment', newId(), {
        ...blank.attachment,
        ...on,
        ...(await keep(svg)),
        mediaType: 'image/png',
        name,
        addedOn: today,
      }),
    )
  return operations
}
