import type { Operation } from '#core/makeover/change.ts'
import type { Fields, Kind, Row } from '#core/makeover/kinds.ts'
import type { Field } from './form.ts'

type AnyField = Field<unknown>
type Values<F> = { [K in keyof F]: F[K] extends Field<infer T> ? T : never }

/** How one field of a form is shown. */
export type Shown<F> = {
  readonly key: keyof F & string
  readonly label: string
  readonly as?: 'text' | 'choice' | 'yes' | 'several' | 'colour'
  readonly options?: readonly { readonly value: string; readonly label: string }[]
  readonly none?: string
  readonly unit?: string
  readonly hint?: string
  readonly lines?: number
  readonly optional?: boolean
  /** Shown only while this holds of what is typed. */
  readonly when?: (texts: Readonly<Record<string, string>>) => boolean
}

/** A small form for one row of a kind: its fields, how they stand, what they become, and the sentence of the diary. */
export type RowForm<K extends Kind, F extends Record<string, AnyField>> = {
  readonly kind: K
  readonly title: (row: Row<K> | null) => string
  readonly action?: string
  /** What going away without it is called; Cancel where nothing is said. */
  readonly away?: string
  readonly fields: (row: Row<K> | null) => F
  readonly layout: readonly (readonly Shown<F>[])[]
  /** `spareId` is for a second row made with it: the same for `toRow` and `besides`, so that the two may name each other. */
  readonly toRow: (values: Values<F>, row: Row<K> | null, id: string, spareId: string) => Fields<K>
  readonly sentence: (values: Values<F>, row: Row<K> | null) => string
  /** What else is changed with it. */
  readonly besides?: (values: Values<F>, id: string, row: Row<K> | null, spareId: string) => readonly Operation[]
  /** Says what taking it away is called in the diary; without it the form offers no such thing. */
  readonly removed?: (row: Row<K>) => string
  /** What has to go with it. */
  readonly removedWith?: (row: Row<K>) => readonly Operation[]
  /** What is wrong with the values together, field by field; each by itself is read already. */
  readonly check?: (values: Values<F>) => readonly { readonly field: keyof F & string; readonly message: string }[]
  /** Form fields that stand for row fields of other names. */
  readonly names?: Readonly<Record<string, keyof F & string>>
  readonly caution?: string
}

/** Keeps the types of a form together where it is written. */
export const rowForm = <K extends Kind, F extends Record<string, AnyField>>(form: RowForm<K, F>): RowForm<K, F> => form
export type AnyRowForm = RowForm<Kind, Record<string, AnyField>>

export const asOptions = (words: readonly string[]): { value: string; label: string }[] =>
  words.map((word) => ({ value: word, label: word }))
