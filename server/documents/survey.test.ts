/** The files of a survey, read back by programs that are not ours. */
import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import DxfParser from 'dxf-parser'
import Papa from 'papaparse'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { v7 as uuidv7 } from 'uuid'
import { add } from '#core/makeover/change.ts'
import { rectangle, surveyRows, withBreast } from '#core/testing/surveyed.ts'
import { makeover, person, serve, type Served, type Speaker } from '../testing/studio.ts'

let served: Served
let who: Speaker
let base: string
const folder = mkdtempSync(join(tmpdir(), 'bonitas-survey-'))
const walls = withBreast(5230, 4110, 1300, 1510, 350)
beforeAll(async () => {
  served = await serve(inject('postgres'))
  who = await person(served)
  const world = await makeover(who)
  const room = uuidv7()
  const rows = surveyRows(
    room,
    {
      walls,
      checks: [[1, 7, Math.hypot(5230, 4110)]],
      survey: { heightMm: 2615 },
      openings: [
        {
          wall: 7,
          what: 'door',
          name: 'Door to the hæll',
          fromMm: 300,
          widthMm: 830,
          headMm: 2030,
          hinge: 'left',
          swing: 'in',
        },
        { wall: 0, what: 'window', fromMm: 1210, widthMm: 1405, sillMm: 812, headMm: 2204 },
      ],
    },
    uuidv7,
  )
  expect(
    (await who.change(world.ids.makeover, [add('room', room, { uses: '', name: 'Parlour' }), ...rows.operations]))
      .status,
  ).toBe(200)
  base = `/makeovers/${world.ids.makeover}/rooms/${room}`
})
afterAll(() => served.close())

const bytes = async (path: string): Promise<Buffer> => {
  const answer = await who.fetch(`${base}/${path}`)
  expect(answer.status).toBe(200)
  return answer.body as Buffer
}
const run = (program: string, args: string[]): string => {
  const { stdout, status } = spawnSync(program, args, { encoding: 'utf8', maxBuffer: 64_000_000 })
  expect([program, status]).toEqual([program, 0])
  return stdout
}
async function pdf(paper: string): Promise<{
  file: string
  texts: string
  words: { text: string; page: number; x: number; y: number }[]
  pages: { width: number; height: number }[]
}> {
  const file = join(folder, `${paper}.pdf`)
  writeFileSync(file, await bytes(`survey.pdf?paper=${paper}`))
  const boxes = run('pdftotext', ['-bbox', file, '-'])
  const pages: { width: number; height: number }[] = []
  const words: { text: string; page: number; x: number; y: number }[] = []
  for (const [, width, height, x, y, text] of boxes.matchAll(
    /<page width="([\d.]+)" height="([\d.]+)">|<word xMin="([\d.]+)" yMin="([\d.]+)"[^>]*>([^<]*)</g,
  )) {
    if (width && height) pages.push({ width: Number(width), height: Number(height) })
    else words.push({ text: text ?? '', page: pages.length, x: Number(x), y: Number(y) })
  }
  return { file, texts: run('pdftotext', ['-layout', file, '-']), words, pages }
}

describe('a survey on paper', () => {
  it.each([
    ['a4', 210, 297],
    ['letter', 215.9, 279.4],
  ] as const)(
    'on %s: the page, every length as text, and the walls as long as they are at the scale said',
    async (paper, width, height) => {
      const { file, texts, words, pages } = await pdf(paper)
      expect(pages).toHaveLength(1 + walls.length + 1)
      for (const page of pages)
        expect(
          [page.width, page.height].map((value) => (value / 72) * 25.4).toSorted((left, right) => left - right),
        ).toEqual([expect.closeTo(width, 0), expect.closeTo(height, 0)])
      const plan = words.filter((word) => word.page === 1).map((word) => word.text)
      for (const length of ['5230', '4110', '1300', '1510', '350', '1405', '830', '2615', 'A', 'H', 'Parlour,'])
        expect(plan).toContain(length)
      expect(texts).toMatch(/hæll/)
      expect(texts).toMatch(/812/)
      expect(texts).toMatch(/2615/)
      const scale = Number(/1 : (\d+) on/.exec(texts)?.[1])
      // poppler draws the page anew; its longest heavy lines are the walls
      const svgFile = join(folder, `${paper}.svg`)
      run('pdftocairo', ['-svg', '-f', '1', '-l', '1', file, svgFile])
      const svg = readFileSync(svgFile, 'utf8')
      // in points of the page, before poppler fits the page to whole pixels; 0.5 mm is 1.417 points
      const lengths = [
        ...svg.matchAll(/stroke-width:1\.417[^"]*"[^>]* d="M ([-\d.]+) ([-\d.]+) L ([-\d.]+) ([-\d.]+) ?"/g),
      ].map(([, x1, y1, x2, y2]) => (Math.hypot(Number(x2) - Number(x1), Number(y2) - Number(y1)) / 72) * 25.4 * scale)
      expect(lengths.map(Math.round).toSorted((left, right) => left - right)).toEqual(
        walls.map((wall) => wall.lengthMm).toSorted((left, right) => left - right),
      )
      // and its scale bar: black and white metres
      const metre = (1000 / scale / 25.4) * 72
      const bar = words
        .filter((word) => word.page === 1 && /^[0-5]$/.test(word.text) && word.y > (pages[0]?.height ?? 0) - 40)
        .map((word) => word.x)
        .toSorted((left, right) => left - right)
      expect(bar.length).toBeGreaterThan(1)
      for (const [at, x] of bar.slice(1).entries()) expect(x - (bar[at] ?? 0)).toBeCloseTo(metre, 0)
    },
  )
  it('a scale in inches to the foot where the makeover is told in feet', async () => {
    const world = await makeover(who)
    const [head] = Object.values((await who.open(world.ids.makeover)).makeover.rows.makeover)
    const room = uuidv7()
    await who.change(world.ids.makeover, [
      {
        op: 'put',
        kind: 'makeover',
        id: world.ids.makeover,
        base: head?.version ?? null,
        fields: { units: 'feet and inches' },
      },
      add('room', room, { uses: '', name: 'Den' }),
      ...surveyRows(room, { walls: rectangle(3657.6, 3048), survey: { heightMm: 2438.4 } }, uuidv7).operations,
    ])
    const file = join(folder, 'feet.pdf')
    writeFileSync(
      file,
      (await who.fetch(`/makeovers/${world.ids.makeover}/rooms/${room}/survey.pdf?paper=letter`)).body as Buffer,
    )
    const texts = run('pdftotext', ['-layout', file, '-'])
    expect(texts).toMatch(/1 : 24 on Letter/)
    expect(texts).toContain(`12' 0"`)
    expect(texts).toMatch(/\d ft/)
  })
})

describe('a survey for other programs', () => {
  it('the DXF is read back by dxf-parser: millimetres, layers, walls as long as measured, lengths as text', async () => {
    const dxf = new DxfParser().parseSync((await bytes('plan.dxf')).toString('utf8'))
    expect(dxf?.header.$INSUNITS).toBe(4) // millimetres, by the DXF reference
    const entities = (dxf?.entities ?? []) as {
      type: string
      layer: string
      vertices?: { x: number; y: number }[]
      text?: string
      radius?: number
      shape?: boolean
    }[]
    const open = entities.filter(
      (entity) => entity.type === 'LWPOLYLINE' && entity.layer === 'walls' && entity.vertices?.length === 2,
    )
    expect(
      open.map(({ vertices: [a, b] = [] }) =>
        Math.round(Math.hypot((b?.x ?? 0) - (a?.x ?? 0), (b?.y ?? 0) - (a?.y ?? 0))),
      ),
    ).toEqual(walls.map((wall) => wall.lengthMm))
    expect(entities.filter((entity) => entity.type === 'TEXT').map((entity) => entity.text)).toEqual(
      expect.arrayContaining(['5230', '4110', '1405']),
    )
    expect(entities.find((entity) => entity.type === 'ARC')).toMatchObject({ layer: 'openings', radius: 830 })
    const room = entities.find(
      (entity) =>
        entity.layer === 'walls' &&
        entity.shape === true &&
        entity.vertices?.length === 8 &&
        entity.vertices.every(({ x }) => x > -1),
    )
    const area = Math.abs(
      (room?.vertices ?? []).reduce(
        (sum, { x, y }, at, all) =>
          sum + x * (all[(at + 1) % all.length]?.y ?? 0) - (all[(at + 1) % all.length]?.x ?? 0) * y,
        0,
      ) / 2e6,
    )
    expect(area).toBeCloseTo(5.23 * 4.11 - 1.51 * 0.35, 3)
  })
  it('the SVG is true to scale in its own millimetres', async () => {
    const svg = (await bytes('plan.svg')).toString('utf8')
    const scale = Number(/1 : (\d+)<\/title>/.exec(svg)?.[1])
    expect(svg).toMatch(/width="[\d.]+mm" height="[\d.]+mm" viewBox="0 0/)
    const heavy = [...svg.matchAll(/<path d="M([\d.]+) ([\d.]+)L([\d.]+) ([\d.]+)" stroke-width="0\.5"/g)].map(
      ([, x1, y1, x2, y2]) => Math.round(Math.hypot(Number(x2) - Number(x1), Number(y2) - Number(y1)) * scale),
    )
    expect(heavy).toEqual(walls.map((wall): unknown => expect.closeTo(wall.lengthMm, -1)))
    expect((await bytes('wall-A.svg')).toString('utf8')).toMatch(/>1405</)
    expect((await bytes('wall-A.dxf')).toString('utf8')).toMatch(/AC10/)
  })
  it('the CSV is read by papaparse, and by ourselves', async () => {
    const { data } = Papa.parse<Record<string, string>>(
      (await bytes('lengths.csv')).toString('utf8').replace('\ufeff', ''),
      { header: true, skipEmptyLines: true },
    )
    expect(data.filter((line) => line.what === 'wall').map((line) => Number(line.length))).toEqual(
      walls.map((wall) => wall.lengthMm),
    )
    expect(data.find((line) => line.what === 'door')).toMatchObject({
      on: 'H',
      from: '300',
      width: '830',
      top: '2030',
      detail: 'hinge left, swing in',
    })
  })
  it('a room, a wall or an ending that is not there is not found, and so is another studio’s', async () => {
    const stranger = await person(served)
    for (const path of [
      `${base}/plan.exe`,
      `${base}/wall-Z.svg`,
      `${base.slice(0, base.lastIndexOf('/') + 1)}${uuidv7()}/plan.svg`,
    ])
      expect([path, (await who.get(path)).status]).toEqual([path, 404])
    expect((await stranger.get(`${base}/plan.svg`)).status).toBe(404)
  })
})
