/** The files of the surfaces, read back by programs that are not ours. */
import { spawnSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import ExcelJS from 'exceljs'
import Papa from 'papaparse'
import sharp from 'sharp'
import { afterAll, beforeAll, expect, inject, it } from 'vitest'
import { v7 as uuidv7 } from 'uuid'
import { blank } from '#core/makeover/blank.ts'
import { add } from '#core/makeover/change.ts'
import { minor } from '#core/money/minor.ts'
import { addLaid } from '#core/testing/laid.ts'
import { candidateOf, pieceOf } from '#core/testing/small-makeover.ts'
import { rectangle, surveyRows } from '#core/testing/surveyed.ts'
import { makeover, person, serve, type Served, type Speaker } from '../testing/studio.ts'

let served: Served
let who: Speaker
let base: string
const [paper, skirting] = [uuidv7(), uuidv7()]
const folder = mkdtempSync(join(tmpdir(), 'bonitas-surfaces-'))
beforeAll(async () => {
  served = await serve(inject('postgres'))
  who = await person(served)
  const world = await makeover(who)
  const [room, line, sold] = [uuidv7(), uuidv7(), uuidv7()]
  const rows = surveyRows(room, { walls: rectangle(4000, 3000), survey: { heightMm: 2500 } }, uuidv7)
  const finish = {
    ...blank.finish,
    roomId: room,
    zoneId: null,
    role: 'dominant',
    sheen: 'matt',
    labL: 80,
    labA: 0,
    labB: 8,
    colourSource: 'lab',
    usedFor: '',
    visibleM2: null,
  } as const
  const opened = await who.open(world.ids.makeover)
  const category = Object.keys(opened.makeover.rows.category)[0] ?? ''
  const answer = await who.change(world.ids.makeover, [
    add('room', room, { uses: '', name: 'Parlour' }),
    ...rows.operations,
    ...addLaid(paper, {
      ...finish,
      name: '=Reed, "wide"',
      family: 'paper',
      surface: 'walls',
      wallId: rows.wallIds[0] ?? null,
    }),
    ...addLaid(skirting, { ...finish, name: 'Pine', family: 'wood' }),
    add('piece', line, pieceOf(room, category, { name: 'Skirting', unit: 'lengths', quantity: 1, chosenId: sold })),
    add('candidate', sold, candidateOf(line, null, { name: 'Pine', priceMinor: minor(10_00), taxPpm: 0 })),
    add('makeUp', uuidv7(), { ...blank.makeUp, candidateId: sold, lengthMm: 4200, kerfMm: 3 }),
    add('treatment', skirting, {
      ...blank.treatment,
      finishId: skirting,
      how: 'moulding',
      profile: 'skirting',
      pieceId: line,
    }),
    add('treatedPart', skirting, { ...blank.treatedPart, treatmentId: skirting, surface: 'trim' }),
  ])
  expect([answer.status, answer.body]).toMatchObject([200, {}])
  base = `/makeovers/${world.ids.makeover}`
})
afterAll(() => served.close())

async function bytes(path: string): Promise<Buffer> {
  const answer = await who.fetch(`${base}/${path}`)
  expect([path, answer.status]).toEqual([path, 200])
  return answer.body as Buffer
}
const run = (program: string, args: string[]): string => {
  const { stdout, status } = spawnSync(program, args, { encoding: 'utf8', maxBuffer: 64_000_000 })
  expect([program, status]).toEqual([program, 0])
  return stdout
}

it('the take-off as CSV and as a workbook says the same, with the working line by line', async () => {
  const csv = Papa.parse<string[]>((await bytes('take-off.csv')).toString('utf8').replace(/^\uFEFF/, '')).data
  const head = csv.findIndex(([first]) => first === 'Room')
  const rows = csv.slice(head + 1, head + 3)
  // 4 m ÷ 0.53 m are eight strips of 2.6 m, three to a roll: three rolls; no spreadsheet takes the name for a formula
  const reed = rows.find(([, name]) => name?.includes('Reed'))
  expect(reed?.slice(0, 6)).toEqual(['Parlour', `'=Reed, "wide"`, 'paper', 'Wall A', '3', 'rolls'])
  // 14 m in pieces of 4 m and 3 m: four lengths of 4.2 m
  const pine = rows.find(([, name]) => name === 'Pine')
  expect([pine?.[4], pine?.[9]]).toEqual(['4', '40.00'])
  const book = new ExcelJS.Workbook()
  await book.xlsx.load((await bytes('take-off.xlsx')) as unknown as ExcelJS.Buffer)
  const sheet = book.getWorksheet('Take-off')
  const cost = sheet?.getColumn(10).values.filter((value) => typeof value === 'number')
  expect(cost).toEqual([40])
  expect(book.getWorksheet('Working')?.rowCount).toBeGreaterThan(8)
})

it('a layout and a cutting list as PDF, one page each, to the scale that is said', async () => {
  const file = join(folder, 'paper.pdf')
  writeFileSync(file, await bytes(`treatments/${paper}/layout.pdf?paper=a4`))
  const info = run('pdfinfo', [file])
  expect(Number(/Pages:\s+(\d+)/.exec(info)?.[1])).toBe(2) // wall A, and how the rolls are cut
  const text = run('pdftotext', ['-layout', file, '-'])
  for (const word of ['Wall A', '4000', '2500', 'roll 1', 'roll 3', '10050']) expect(text).toContain(word)
  expect(text).toMatch(/1 : \d+ on A4/)
})

it('as SVG each strip is as wide as it hangs, each piece as long as it is cut', async () => {
  const svg = (await bytes(`treatments/${paper}/layout-A.svg`)).toString('utf8')
  // a reader of pictures takes it: no wider than its sheet
  expect((await sharp(Buffer.from(svg)).metadata()).format).toBe('svg')
  const scale = Number(/<title>.* 1 : (\d+)<\/title>/.exec(svg)?.[1])
  // the drawing’s own strokes: widths of closed four-cornered outlines, in mm of the room
  const widths = [...svg.matchAll(/d="M([\d.]+) [\d.]+L([\d.]+) [\d.]+L[\d. ]+L[\d. ]+Z" stroke-width="0.13"/g)].map(
    ([, left, right]) => Math.round((Number(right) - Number(left)) * scale),
  )
  expect(widths.filter((width) => Math.abs(width - 530) <= 1)).toHaveLength(7)
  expect(widths.filter((width) => Math.abs(width - (4000 - 7 * 530)) <= 1)).toHaveLength(1)
  const cuts = (await bytes(`treatments/${skirting}/layout-cuts.svg`)).toString('utf8')
  expect(cuts.match(/4010/g)?.length).toBe(2)
  expect(cuts.match(/3010/g)?.length).toBe(2)
})

it('what is not there is said so', async () => {
  for (const path of ['take-off.pdf', `treatments/${uuidv7()}/layout.pdf`, `treatments/${paper}/layout-Z.svg`])
    expect((await who.fetch(`${base}/${path}`)).status).toBe(404)
})
