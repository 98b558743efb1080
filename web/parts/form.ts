import { reactive } from 'vue'
import type { Fault } from '#core/makeover/change.ts'
import { useDraft, type DraftLines } from './draft.ts'
import type { Field } from './fields.ts'

export * from './fields.ts'

type AnyField = Field<unknown>
type Values<F> = { [K in keyof F]: F[K] extends Field<infer T> ? T : never }

/** What is typed in the fields so far, or null while something cannot be read. */
export function valuesOf<F extends Record<string, AnyField>>(fields: F): Values<F> | null {
  const read = Object.entries(fields).map(([name, field]) => [name, field.read(field.text)] as const)
  return read.every(([, reading]) => reading.ok)
    ? (Object.fromEntries(read.flatMap(([name, reading]) => (reading.ok ? [[name, reading.value]] : []))) as Values<F>)
    : null
}

/** What is typed in the fields, or null where something is wrong; each field then says what. */
export function readFields<F extends Record<string, AnyField>>(fields: F): Values<F> | null {
  const values: Record<string, unknown> = {}
  let good = true
  for (const [name, anyField] of Object.entries(fields)) {
    const result = anyField.read(anyField.text)
    anyField.error = result.ok ? '' : result.error
    if (result.ok) values[name] = result.value
    else good = false
  }
  return good ? (values as Values<F>) : null
}

/** A form of fields: reads them all, and puts what the core or the server finds wrong where it belongs. */
export function useForm<F extends Record<string, AnyField>>(start: () => F, lines?: DraftLines) {
  const form = reactive({ fields: start(), faults: [] as string[], busy: false }) as {
    fields: F
    faults: string[]
    busy: boolean
  }

  function reset(): void {
    form.fields = start()
    form.faults = []
    draft.opened()
  }
  const draft = useDraft(form, reset, lines)
  /** The values, or null where something is wrong; every field then says what. */
  function read(): Values<F> | null {
    form.faults = []
    return readFields(form.fields)
  }
  /** Faults by the names of their row fields; `names` says which form field stands for one of another name. */
  function blame(
    faults: readonly Pick<Fault, 'field' | 'message'>[],
    names: Readonly<Record<string, keyof F & string>> = {},
  ): void {
    form.faults = []
    for (const { field: at, message } of faults) {
      const anyField = at === null ? undefined : form.fields[names[at] ?? at]
      if (anyField) anyField.error = message
      else form.faults.push(at === null ? message : `${at}: ${message}`)
    }
  }
  /** Does the work once at a time, and shows what it found wrong; true when it went through. */
  async function submit(
    work: (values: Values<F>) => Promise<readonly Pick<Fault, 'field' | 'message'>[]>,
    names: Readonly<Record<string, keyof F & string>> = {},
  ): Promise<boolean> {
    if (form.busy) return false
    const values = read()
    if (!values) return false
    form.busy = true
    try {
      const faults = await work(values)
      blame(faults, names)
      if (faults.length === 0) draft.saved()
      return faults.length === 0
    } catch (error) {
      form.faults = [error instanceof Error ? error.message : String(error)]
      return false
    } finally {
      form.busy = false
    }
  }
  return { form, read, blame, reset, submit }
}
