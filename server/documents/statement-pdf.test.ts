/** The statement as a client holds it, read back by pdftotext and pdfinfo (Debian's poppler-utils). */
import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import { plainDate } from '#core/measure/plain-date.ts'
import { minor } from '#core/money/minor.ts'
import { reckonMoney, statement } from '#core/purchases/index.ts'
import { begin, candidateOf, change, countingIds, orderOf, pieceOf, testToday } from '#core/testing/small-makeover.ts'
import { add } from '#core/makeover/change.ts'
import { statementPdf } from './statement-pdf.ts'

const folder = mkdtempSync(join(tmpdir(), 'bonitas-statement-'))
afterAll(() => rmSync(folder, { recursive: true }))

const newId = countingIds()
const world = begin(newId, { sums: { Furniture: 123_456_78, Textiles: 98_765_43 }, contingency: 22_222_21 })
const [piece, candidate, raised] = [newId(), newId(), newId()]
const offer = candidateOf(piece, world.ids.seller, { name: 'Long oak settle', priceMinor: minor(38_976_44), taxPpm: 0 })
const [furniture = '', textiles = ''] = [world.categories.Furniture, world.categories.Textiles]
const { makeover, studio } = change(change(world.start, world.operations), [
  add('piece', piece, pieceOf(world.ids.room, furniture, { name: 'Settle' })),
  add('candidate', candidate, offer),
  ...orderOf(newId(), candidate, offer, 1, { boughtBy: 'studio' }),
  add('agreement', raised, {
    number: 2,
    contingencyMinor: minor(22_222_21),
    signedById: world.ids.client,
    signedOn: plainDate('2027-02-10'),
    reason: 'The floor came out worse than it looked.',
    kept: '',
  }),
  ...(
    [
      [furniture, 133_456_78],
      [textiles, 98_765_43],
    ] as const
  ).map(([categoryId, sum]) =>
    add('agreementLine', newId(), { agreementId: raised, categoryId, amountMinor: minor(sum) }),
  ),
])
const account = (reader: 'client' | 'studio') =>
  statement({ makeover, studio }, reckonMoney(makeover), reader, testToday)
async function read(reader: 'client' | 'studio', size: 'A4' | 'letter'): Promise<{ text: string; info: string }> {
  const file = join(folder, `${reader}-${size}.pdf`)
  writeFileSync(file, await statementPdf(account(reader), ['Ada'], 'Studio', size))
  return {
    text: execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' }).replaceAll('\u00a0', ' '),
    info: execFileSync('pdfinfo', [file], { encoding: 'utf8' }),
  }
}

describe('a statement', () => {
  it('says what was agreed in all, and of each signed change what was, what is, by how much, and why', async () => {
    const { text } = await read('client', 'A4')
    expect(text).toMatch(/244 444\.42 EUR in all, the contingency of 22 222\.21 within it, signed on/) // 123 456.78 + 98 765.43 + 22 222.21
    expect(text).toMatch(/Changed on 10 Feb 2027 to 254 444\.42 EUR in all: The floor came out worse than it looked\./)
    expect(text).toMatch(/Furniture\s+123 456\.78\s+133 456\.78\s+\+10 000\.00/)
    expect(text).not.toMatch(/Textiles\s+98 765\.43\s+98 765\.43/) // what stayed is no change
  })
  it.each(['client', 'studio'] as const)('of the %s keeps each figure on its line', async (reader) => {
    const { text } = await read(reader, 'letter')
    for (const figure of ['123 456.78', '38 976.44', '133 456.78']) expect(text).toContain(figure)
    expect(text).not.toMatch(/\d\.\d? *\n *\d{1,2} *$/m)
  })
  it('is on letter or on A4', async () => {
    expect((await read('client', 'letter')).info).toMatch(/Page size:\s+612 x 792 pts \(letter\)/) // 8.5 × 11 in
    expect((await read('client', 'A4')).info).toMatch(/Page size:\s+595\.\d+ x 841\.\d+ pts \(A4\)/) // ISO 216
  })
})
