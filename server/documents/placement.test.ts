/** The placed plan as files, read back by programs that are not ours. */
import { spawnSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import DxfParser from 'dxf-parser'
import { afterAll, beforeAll, expect, inject, it } from 'vitest'
import { v7 as uuidv7 } from 'uuid'
import { blank } from '#core/makeover/blank.ts'
import { add } from '#core/makeover/change.ts'
import { candidateOf, pieceOf } from '#core/testing/small-makeover.ts'
import { rectangle, surveyRows } from '#core/testing/surveyed.ts'
import { makeover, person, serve, type Served, type Speaker } from '../testing/studio.ts'

let served: Served
let who: Speaker
let base: string
let hooks: string
let rooms: string
beforeAll(async () => {
  served = await serve(inject('postgres'))
  who = await person(served)
  const world = await makeover(who)
  const { rows } = (await who.open(world.ids.makeover)).makeover
  const [room, piece, candidate, layout, second] = [uuidv7(), uuidv7(), uuidv7(), uuidv7(), uuidv7()]
  const print = uuidv7()
  const surveyed = surveyRows(room, { walls: rectangle(5000, 4000), survey: { heightMm: 2500 } }, uuidv7)
  const answer = await who.change(world.ids.makeover, [
    add('room', room, { uses: '', name: 'Parlour' }),
    ...surveyed.operations,
    add(
      'piece',
      print,
      pieceOf(room, Object.keys(rows.category)[0] ?? '', { name: 'Print', thing: 'work', widthMm: 700, heightMm: 500 }),
    ),
    add('hanging', uuidv7(), {
      ...blank.hanging,
      pieceId: print,
      wallId: surveyed.wallIds[0] ?? '',
      alongMm: 3000,
      centreMm: 1500,
    }),
    add('fixing', uuidv7(), { ...blank.fixing, pieceId: print, method: 'screw', hooks: 2, dropMm: 60, spreadMm: 400 }),
    add('piece', piece, pieceOf(room, Object.keys(rows.category)[0] ?? '', { name: 'Chest', thing: 'storage' })),
    add(
      'candidate',
      candidate,
      candidateOf(piece, world.ids.seller, { name: 'Elm chest', widthMm: 1200, depthMm: 450, heightMm: 900 }),
    ),
    add('openState', uuidv7(), { ...blank.openState, pieceId: piece, name: 'drawers', frontMm: 400 }),
    add('passage', uuidv7(), {
      ...blank.passage,
      what: 'door',
      place: 0,
      name: 'Back door',
      widthMm: 800,
      heightMm: 2000,
    }),
    add('layout', layout, { ...blank.layout, roomId: room, name: 'First' }),
    add('layout', second, { ...blank.layout, roomId: room, name: 'Second', inForce: false }),
    // its back to the first wall, which runs along x from the origin
    add('standing', uuidv7(), {
      ...blank.standing,
      layoutId: layout,
      pieceId: piece,
      xMm: 1000,
      yMm: -225,
      turnDeg: 0,
    }),
  ])
  expect(answer.status, JSON.stringify(answer.body)).toBe(200)
  rooms = `/makeovers/${world.ids.makeover}/rooms`
  base = `${rooms}/${room}/placement`
  hooks = `${rooms}/${room}/hooks.pdf`
  secondLayout = second
})
let secondLayout = ''
afterAll(() => served.close())

type Entity = { type: string; layer: string; vertices?: { x: number; y: number }[]; text?: string }
const entitiesOf = async (query = ''): Promise<Entity[]> => {
  const answer = await who.fetch(`${base}.dxf${query}`)
  expect(answer.status).toBe(200)
  return new DxfParser().parseSync((answer.body as Buffer).toString('utf8'))?.entities ?? []
}
const boxOf = ({ vertices = [] }: Entity): number[] => {
  const [xs, ys] = [vertices.map(({ x }) => x), vertices.map(({ y }) => y)]
  return [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)].map(Math.round)
}

it('DXF has the thing where it stands, in mm, what it opens to dashed, and its name', async () => {
  const entities = await entitiesOf()
  expect(entities.filter(({ layer }) => layer === 'pieces').map(boxOf)).toEqual([[400, 1600, -450, 0]])
  const opened = entities.filter(({ layer }) => layer === 'opened').flatMap(({ vertices = [] }) => vertices)
  expect(Math.round(Math.min(...opened.map(({ y }) => y)))).toBe(-850)
  expect(entities.some(({ text }) => text === 'Chest')).toBe(true)
  expect((await entitiesOf(`?layout=${secondLayout}`)).some(({ layer }) => layer === 'pieces')).toBe(false)
})
it('SVG is true to scale', async () => {
  const svg = ((await who.fetch(`${base}.svg`)).body as Buffer).toString('utf8')
  const scale = Number(/1 : (\d+)<\/title>/.exec(svg)?.[1])
  const [, path = ''] = /<g id="pieces"><path d="([^"]+)"/.exec(svg) ?? []
  const xs = [...path.matchAll(/[ML]([\d.]+) /g)].map(([, x]) => Number(x))
  expect((Math.max(...xs) - Math.min(...xs)) * scale).toBeCloseTo(1200, -1)
})
it('PDF has the plan, how far the thing is from two walls, and how it is carried in', async () => {
  const file = join(mkdtempSync(join(tmpdir(), 'bonitas-placed-')), 'placed.pdf')
  writeFileSync(file, (await who.fetch(`${base}.pdf?paper=a4`)).body as Buffer)
  const texts = spawnSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' }).stdout.replaceAll('\u00a0', ' ')
  expect(texts).toMatch(/Parlour, First/)
  expect(texts).toMatch(/1200 mm × 450 mm × 900 mm/)
  expect(texts).toMatch(/0 mm from Wall A/)
  expect(texts).toMatch(/400 mm from Wall D/)
  expect(texts).toMatch(/Back door: as it stands/)
})
it('the list of hooks has their distances, and each work has them at full size', async () => {
  const file = join(mkdtempSync(join(tmpdir(), 'bonitas-hung-')), 'hooks.pdf')
  writeFileSync(file, (await who.fetch(hooks)).body as Buffer)
  const texts = spawnSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' }).stdout.replaceAll('\u00a0', ' ')
  // 1500 and half of 500 less the wire of 60; the left one 2800 from its corner, the right one 5000 − 3200
  expect(texts).toMatch(/1690 mm from the floor, 2200 mm from the right corner, by screw/)
  expect(texts).toMatch(/1690 mm from the floor, 1800 mm from the right corner, by screw/)
  // two hooks 400 apart and 40 beside them are 480: three pages of 190 that share 10
  expect(texts).toMatch(/page 3 of 3/)
  expect(texts).toMatch(/1 : 1/)
  // a cross stands where it should on its page, in points: 10 and 40 mm from the left edge of the paper
  const boxes = spawnSync('pdftotext', ['-bbox', '-f', '2', '-l', '2', file, '-'], { encoding: 'utf8' }).stdout
  const x = Number(/xMin="([\d.]+)"[^>]*>1690/.exec(boxes)?.[1])
  // its height is written 3 mm to the right of it
  expect((x * 25.4) / 72).toBeCloseTo(10 + 40 + 3, 0)
  expect((await who.fetch(`${rooms}/${uuidv7()}/hooks.pdf`)).status).toBe(404)
})
it('another room, layout or ending is not found', async () => {
  expect((await who.fetch(`${base}.png`)).status).toBe(404)
  expect((await who.fetch(`${base}.svg?layout=${uuidv7()}`)).status).toBe(404)
})
