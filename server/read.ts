/** The body of a request by its schema; what does not fit is told field by field. */
import { ValidationError, type InferType, type ObjectSchema } from 'yup'
import { Problem } from './problem.ts'

/** A body held against its schema; every fault names its field. */
export function read<T extends ObjectSchema<object>>(schema: T, body: unknown): InferType<T> {
  try {
    return schema.validateSync(body ?? {}, { abortEarly: false, strict: true })
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    const faults = (error.inner.length > 0 ? error.inner : [error]).map((validationError) => ({
      field: validationError.path ?? null,
      message: validationError.message,
    }))
    throw new Problem(
      422,
      'invalid',
      'Not complete',
      faults.map((fault) => `${fault.field ?? 'body'}: ${fault.message}`).join('; '),
      { faults },
    )
  }
}
