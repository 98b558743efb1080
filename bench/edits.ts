/** What one edit of each kind costs to reckon, against the whole: what rests on the same is kept from before. */
import { apply, type Operation } from '#core/makeover/change.ts'
import { makeoverKinds, type MakeoverKind } from '#core/makeover/kinds.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import { Memory } from '#core/reckoning/memory.ts'
import { preview } from '#core/reckoning/preview.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import { demoDocuments } from '#core/testing/demos.ts'

const today = plainDate('2027-03-01')
const runs = 150
const say = (text: string): boolean => process.stdout.write(`${text}\n`)
const middle = (times: number[]): number => times.sort((left, right) => left - right)[times.length >> 1] ?? Number.NaN
const changeId = (at: number): string => `01900000-0000-7000-9000-${String(at).padStart(12, '0')}`

/** A field of each kind that people change, and values that differ from run to run. */
const edits: readonly (readonly [MakeoverKind, string, (run: number) => unknown])[] = [
  ['makeover', 'installOn', (run) => `2027-0${1 + (run % 8)}-01`],
  ['room', 'name', (run) => `Room ${run}`],
  ['need', 'name', (run) => `Need ${run}`],
  ['wall', 'lengthMm', (run) => 4000 + run / 10],
  ['opening', 'widthMm', (run) => 900 + run / 10],
  ['finish', 'name', (run) => `Finish ${run}`],
  ['finish', 'labL', (run) => 40 + run / 20],
  ['piece', 'name', (run) => `Piece ${run}`],
  ['piece', 'allowanceMinor', (run) => 100 + run],
  ['candidate', 'priceMinor', (run) => 1000 + run],
  ['candidate', 'name', (run) => `Candidate ${run}`],
  ['question', 'ask', (run) => `Question ${run}`],
  ['order', 'reference', (run) => `${run}`],
  ['delivery', 'note', (run) => `Note ${run}`],
  ['payment', 'amountMinor', (run) => 100 + run],
  ['sample', 'judgedBy', (run) => `${run}`],
  ['constraint', 'note', (run) => `Note ${run}`],
]

const [documents] = demoDocuments()
if (!documents) throw new Error('the demo has makeovers')
const copies = Array.from({ length: runs }, () => structuredClone(documents))
const whole = middle(
  copies.map((copy) => {
    const startedAt = performance.now()
    reckon(copy, today)
    return performance.now() - startedAt
  }),
)
const shares: number[] = []
for (const [kind, field, value] of edits) {
  const rows: Readonly<Record<string, { readonly id: string; readonly version: string }>> =
    documents.makeover.rows[kind]
  const row = Object.values(rows)[0]
  if (!row) continue
  const memory = new Memory()
  reckon(documents, today, memory)
  const states = Array.from({ length: runs }, (_, run) => {
    const put: Operation = { op: 'put', kind, id: row.id, base: row.version, fields: { [field]: value(run) } }
    return apply(documents, [put], changeId(run)).documents
  })
  const ms = middle(
    states.map((state) => {
      const startedAt = performance.now()
      reckon(state, today, memory)
      return performance.now() - startedAt
    }),
  )
  shares.push(ms / whole)
  say(
    `edit ${`${kind} ${field}:`.padEnd(26)} ${ms.toFixed(2)} ms median, ${(100 * (ms / whole)).toFixed(0)} % of the whole`,
  )
}
say(
  `an edit, in the median of these: ${(100 * middle(shares)).toFixed(0)} % of the whole, which takes ${whole.toFixed(2)} ms (goal: under 20 %; of ${makeoverKinds.length} kinds ${new Set(edits.map(([kind]) => kind)).size} are edited)`,
)
const memory = new Memory()
reckon(documents, today, memory)
const piece = Object.values(documents.makeover.rows.piece)[2]
if (piece) {
  const put: Operation = { op: 'put', kind: 'piece', id: piece.id, base: piece.version, fields: { quantity: 4 } }
  const times = Array.from({ length: runs }, () => {
    const startedAt = performance.now()
    preview(documents, [put], today, memory)
    return performance.now() - startedAt
  })
  say(`preview of a change, as the page asks: ${middle(times).toFixed(2)} ms median`)
}
