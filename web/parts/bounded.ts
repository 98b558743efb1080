import { ValidationError, type AnySchema } from 'yup'
import { schemas, type Kind } from '#core/makeover/kinds.ts'
import type { Field } from './form.ts'

/**
 * The fields of a form, those that are fields of a kind of row held to its schema as well: a bound is said once, where the
 * row is described.
 */
export function bounded<F extends Record<string, Field<unknown>>>(kind: Kind, fields: F): F {
  const held = Object.entries(fields).map(([name, field]) => {
    const schema = (schemas[kind].fields as Readonly<Record<string, unknown>>)[name] as AnySchema | undefined
    return [name, schema ? within(schema, field) : field] as const
  })
  return Object.fromEntries(held) as F
}

const within = <T>(schema: AnySchema, field: Field<T>): Field<T> => ({
  ...field,
  ...(isCost(schema) ? { cost: true } : {}),
  read: (text) => {
    const read = field.read(text)
    const error = read.ok ? faultOf(schema, read.value) : null
    if (error === null) return read
    // what was typed stands beside what was expected
    return { ok: false, error: error.startsWith('expected') ? `“${text.trim().slice(0, 24)}”: ${error}` : error }
  },
})

const isCost = (schema: AnySchema): boolean => (schema.spec.meta as { cost?: boolean } | undefined)?.cost === true

function faultOf(schema: AnySchema, value: unknown): string | null {
  try {
    schema.validateSync(value)
    return null
  } catch (error) {
    if (error instanceof ValidationError) return error.message
    throw error
  }
}
