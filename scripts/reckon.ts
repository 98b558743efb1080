/**
 * npm run -s reckon -- FILE [--today DATE] [--remarks] [--preview CHANGES]
 * The reckoning of an exported makeover (its zip, or its makeover.json alone) as JSON, with no database and no browser.
 * Ends with 0 when the file was read, with 2 and the place of the fault when it was not.
 */
import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { apply, readChangeSet, schemaVersion, type Documents, type Operation } from '#core/makeover/change.ts'
import { isPlainDate, type PlainDate } from '#core/measure/plain-date.ts'
import { Damaged, readMakeover, readParcel } from '#core/parcel/index.ts'
import { preview } from '#core/reckoning/preview.ts'
import { reckon, type Reckoning } from '#core/reckoning/reckon.ts'
import type { Remark } from '#core/remarks/remark.ts'

/** What stops the work: what, where, what was expected. */
class Wrong extends Error {}

function fileOf(path: string): Buffer {
  try {
    return readFileSync(path)
  } catch {
    throw new Wrong(`${path}: there is no file here that can be read`)
  }
}

function jsonOf(bytes: Buffer, path: string): unknown {
  try {
    return JSON.parse(bytes.toString('utf8'))
  } catch (error) {
    throw new Wrong(`${path}: is no JSON: ${error instanceof Error ? error.message : ''}`)
  }
}

function documentsIn(path: string): Documents {
  const bytes = fileOf(path)
  try {
    return bytes.subarray(0, 2).toString('latin1') === 'PK'
      ? readParcel(bytes, (byte) => createHash('sha256').update(byte).digest('hex')).documents
      : readMakeover(jsonOf(bytes, path)).documents
  } catch (error) {
    throw error instanceof Damaged ? new Wrong(`${path}: ${error.message}`) : error
  }
}

/** A change set, or its operations alone. The bases of rows are those of the file: there are no versions in it. */
function operationsIn(path: string, documents: Documents): readonly Operation[] {
  const value = jsonOf(fileOf(path), path)
  const id = documents.makeover.id
  const read = readChangeSet(
    Array.isArray(value) ? { id, schemaVersion, sentence: 'A preview', operations: value } : value,
  )
  if (!read.ok)
    throw new Wrong(`${path}: ${read.faults.map((fault) => `${fault.field ?? ''}: ${fault.message}`).join('; ')}`)
  const { faults } = apply(documents, read.value.operations, id)
  if (faults.length > 0)
    throw new Wrong(
      `${path}: ${faults.map((fault) => `${fault.kind ?? ''} ${fault.id ?? ''}${fault.field ? ` ${fault.field}` : ''}: ${fault.message}`).join('; ')}`,
    )
  return read.value.operations
}

const line = (remark: Remark): string =>
  `${remark.weight}${remark.accepted === null ? '' : ' (accepted)'}\t${remark.step}\t${remark.title}\t${remark.sentence}`

/** The figures that differ, by their path: before and after. */
function difference(before: unknown, after: unknown, path = ''): Record<string, readonly [unknown, unknown]> {
  if (Object.is(before, after)) return {}
  if (typeof before === 'object' && before !== null && typeof after === 'object' && after !== null) {
    const [was, is] = [before as Record<string, unknown>, after as Record<string, unknown>]
    return Object.assign(
      {},
      ...[...new Set([...Object.keys(was), ...Object.keys(is)])].map((key) =>
        difference(was[key], is[key], path === '' ? key : `${path}.${key}`),
      ),
    ) as Record<string, readonly [unknown, unknown]>
  }
  return { [path]: [before ?? null, after ?? null] }
}

/** Maps as lists, so that nothing computed is lost in JSON. */
const asJson = (value: unknown): string =>
  JSON.stringify(
    value,
    (_key, value: unknown) => (value instanceof Map ? [...value] : value instanceof Set ? [...value] : value),
    1,
  )
const plain = (reckoning: Reckoning): unknown =>
  JSON.parse(
    asJson({
      money: reckoning.money,
      dates: reckoning.dates,
      slackDays: reckoning.slackDays,
      needs: reckoning.needs,
      palette: reckoning.palette,
    }),
  )

function main(): void {
  const { values, positionals } = (() => {
    try {
      return parseArgs({
        allowPositionals: true,
        options: { today: { type: 'string' }, remarks: { type: 'boolean' }, preview: { type: 'string' } },
      })
    } catch (error) {
      throw new Wrong(error instanceof Error ? error.message : String(error))
    }
  })()
  const [path, ...more] = positionals
  if (path === undefined || more.length > 0)
    throw new Wrong('expected one file: npm run -s reckon -- FILE [--today 2027-03-14] [--remarks] [--preview CHANGES]')
  const asked = values.today ?? new Date().toLocaleDateString('sv-SE')
  if (!isPlainDate(asked)) throw new Wrong(`--today ${asked}: expected a date such as 2027-03-14`)
  const today: PlainDate = asked
  const documents = documentsIn(path)
  const reckoning = reckon(documents, today)
  if (values.preview !== undefined) {
    const { after, faults, newRemarks, curedRemarks } = preview(
      documents,
      operationsIn(values.preview, documents),
      today,
    )
    if (values.remarks)
      print(
        [
          ...newRemarks.map((newRemark) => `+ ${line(newRemark)}`),
          ...curedRemarks.map((curedRemark) => `- ${line(curedRemark)}`),
          ...faults.map((fault) => `! refused\t${fault.message}`),
        ].join('\n'),
      )
    else
      print(
        asJson({
          today,
          refused: faults,
          newRemarks,
          curedRemarks,
          changed: difference(plain(reckoning), plain(after)),
        }),
      )
  } else print(values.remarks ? reckoning.remarks.map(line).join('\n') : asJson(reckoning))
}

const print = (text: string): boolean => process.stdout.write(text === '' ? '' : `${text}\n`)

try {
  main()
} catch (error) {
  if (!(error instanceof Wrong)) throw error
  process.stderr.write(`${error.message}\n`)
  process.exitCode = 2
}
