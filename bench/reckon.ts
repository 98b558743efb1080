/** The time to reckon the demo, and the same with ten times its rows; median of many runs, one core. First load of the day page. */
import { gzipSync } from 'node:zlib'
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { musicRoom } from '#demo/music-room.ts'
import { apply, isStudioOperation, type Documents, type Operation } from '#core/makeover/change.ts'
import { emptyMakeover, emptyStudio, rowsOf, type Makeover } from '#core/makeover/document.ts'
import { kindNames, makeoverKinds } from '#core/makeover/kinds.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import { drawTile } from '#core/texture/index.ts'
import { preview } from '#core/reckoning/preview.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import { countingIds } from '#core/testing/small-makeover.ts'

const today = plainDate('2027-03-01')
const say = (text: string): boolean => process.stdout.write(`${text}\n`)

/** The demo, with all but its head, clients and signed budgets so many times over: each time in a room of its own, or all in one. */
function demoTimes(times: number, ownRooms = true): Documents {
  const newId = countingIds()
  const { makeoverId, changeSets } = musicRoom(today, newId, emptyStudio(newId()))
  const operations = changeSets.flatMap((changeSet) => changeSet.operations)
  const once = new Set([
    'makeover',
    'client',
    'agreement',
    'agreementLine',
    'category',
    'seller',
    'school',
    ...(ownRooms ? [] : ['room', 'zone']),
  ])
  const copies: Operation[] = []
  for (let copy = 1; copy < times; copy++) {
    const renamed = new Map<unknown, string>()
    for (const operation of operations) if (!once.has(operation.kind)) renamed.set(operation.id, newId())
    for (const operation of operations) {
      if (once.has(operation.kind) || operation.op !== 'put') continue
      const fields = Object.fromEntries(
        Object.entries(operation.fields).map(([name, value]) => [name, renamed.get(value) ?? value]),
      )
      copies.push({ ...operation, id: renamed.get(operation.id) ?? operation.id, fields })
    }
  }
  const studioId = newId()
  const start: Documents = { makeover: emptyMakeover(makeoverId), studio: emptyStudio(studioId) }
  const { documents, faults } = apply(
    start,
    [...operations, ...copies].toSorted(
      (left, right) =>
        Number(isStudioOperation(right)) - Number(isStudioOperation(left)) ||
        kindNames.indexOf(left.kind) - kindNames.indexOf(right.kind),
    ),
    newId(),
  )
  if (faults.length > 0) throw new Error(JSON.stringify(faults[0]))
  return documents
}

function median(work: () => unknown, runs = 200): number {
  for (let warm = 0; warm < 30; warm++) work()
  const times = Array.from({ length: runs }, () => {
    const startedAt = performance.now()
    work()
    return performance.now() - startedAt
  }).sort((left, right) => left - right)
  return times[Math.floor(runs / 2)] ?? Number.NaN
}

const count = ({ makeover }: Documents): number =>
  makeoverKinds.reduce((rows, kind) => rows + rowsOf(makeover, kind).length, 0)
const [small, large, crowded] = [demoTimes(1), demoTimes(10), demoTimes(10, false)]
/** The same makeover in new objects, as it comes from the server: nothing kept from the run before helps. */
const fresh = ({ makeover }: Documents): Makeover => ({
  ...makeover,
  rows: Object.fromEntries(
    makeoverKinds.map((kind) => [kind, { ...makeover.rows[kind] }]),
  ) as unknown as Makeover['rows'],
})
const [thisValue, ten, inOne] = [small, large, crowded].map((documents) =>
  median(() => reckon({ makeover: fresh(documents), studio: documents.studio }, today)),
)
if (thisValue === undefined || ten === undefined || inOne === undefined) throw new Error('nothing was measured')
say(`reckon, demo, ${count(small)} rows:        ${thisValue.toFixed(2)} ms median (goal: under 16)`)
say(
  `reckon, ten times, ${count(large)} rows:  ${ten.toFixed(2)} ms median, ${(ten / thisValue).toFixed(1)} times (goal: under 10)`,
)
say(
  `the same, all in one room:      ${inOne.toFixed(2)} ms median, ${(inOne / thisValue).toFixed(1)} times (a room’s finishes and pieces are held against each other)`,
)
const piece = rowsOf(small.makeover, 'piece')[2]
if (piece)
  say(
    `preview of a change, demo:      ${median(() => preview(small, [{ op: 'put', kind: 'piece', id: piece.id, base: piece.version, fields: { quantity: 4 } }], today), 100).toFixed(2)} ms median`,
  )
say(
  `a texture of 320 × 320, wood:   ${median(() => drawTile({ family: 'wood', texture: 'usual', sheen: 'satin', lab: { L: 60, a: 10, b: 35 } }, 5, 320, 320), 20).toFixed(1)} ms median (in a worker)`,
)

const assets = join(import.meta.dirname, '..', 'dist', 'web', 'assets')
if (existsSync(assets)) {
  const page = readFileSync(join(import.meta.dirname, '..', 'dist', 'web', 'index.html'), 'utf8')
  const needed = new Set([...page.matchAll(/assets\/([\w.-]+\.js)/g)].map((match) => match[1] ?? ''))
  const names = readdirSync(assets)
  const add = (name: string): void => {
    const text = readFileSync(join(assets, name), 'utf8')
    for (const [, found] of text.matchAll(/from\s*["']\.\/([\w.-]+\.js)["']/g))
      if (found && names.includes(found) && !needed.has(found)) {
        needed.add(found)
        add(found)
      }
  }
  for (const name of [...needed, ...names.filter((name) => name.startsWith('DayPage') && name.endsWith('.js'))]) {
    needed.add(name)
    add(name)
  }
  const bytes = [...needed].reduce((sum, name) => sum + gzipSync(readFileSync(join(assets, name))).length, 0)
  say(`first load of the day page:     ${(bytes / 1000).toFixed(0)} kB of compressed script (goal: under 300)`)
}
