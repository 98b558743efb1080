/**
 * The kinds of row that the two documents hold. A kind is one schema in the folder of its step; what it refers to, what
 * a person calls it and its table follow from that. The door for changes knows no kind by name.
 */
import type { AnySchema, CustomSchemaMetadata, InferType } from 'yup'
import { briefKinds } from '../brief/kinds.ts'
import { calendarKinds } from '../calendar/kinds.ts'
import { paletteKinds } from '../palette/kinds.ts'
import { pieceKinds } from '../pieces/kinds.ts'
import { placementKinds } from '../placement/kinds.ts'
import { purchaseKinds } from '../purchases/kinds.ts'
import { revealKinds } from '../reveal/kinds.ts'
import { surfaceKinds } from '../surfaces/kinds.ts'
import { surveyKinds } from '../survey/kinds.ts'
import { sharedKinds } from './shared-kinds.ts'

export const schemas = {
  ...sharedKinds,
  ...briefKinds,
  ...surveyKinds,
  ...pieceKinds,
  ...paletteKinds,
  ...surfaceKinds,
  ...placementKinds,
  ...purchaseKinds,
  ...calendarKinds,
  ...revealKinds,
}

export type Kind = keyof typeof schemas
export type Fields<K extends Kind> = InferType<(typeof schemas)[K]>
export type Row<K extends Kind> = Readonly<Fields<K>> & { readonly id: string; readonly version: string }

export const isKind = (value: unknown): value is Kind => typeof value === 'string' && Object.hasOwn(schemas, value)
const declared = Object.keys(schemas).filter(isKind)

export const studioKinds = [
  'studio',
  'seller',
  'studioRuling',
  'studioSchool',
  'template',
  'sellerEntry',
  'stock',
] as const satisfies readonly Kind[]
export type StudioKind = (typeof studioKinds)[number]
export type MakeoverKind = Exclude<Kind, StudioKind>
export const isStudioKind = (kind: Kind): kind is StudioKind => studioKinds.some((studioKind) => studioKind === kind)

/** What a schema says of one of its fields. */
export type FieldMeta = CustomSchemaMetadata & { readonly nullable: boolean }
export const fieldsOf = (kind: Kind): [field: string, meta: FieldMeta][] =>
  Object.entries(schemas[kind].fields).map(([field, schema]) => {
    const { meta = {}, nullable } = (schema as AnySchema).describe()
    return [field, { ...meta, nullable }]
  })

export type Reference = {
  readonly field: string
  readonly to: Kind
  /** The field that both rows share: a candidate of the same piece. */
  readonly within: string | undefined
  readonly deferred: boolean
}
/** What a kind refers to. */
export const referencesOf = (kind: Kind): Reference[] =>
  fieldsOf(kind).flatMap(([field, { to, within, deferred = false }]) =>
    isKind(to) ? [{ field, to, within, deferred }] : [],
  )

/** Which fields point at which kind. The tables have the same as foreign keys. */
export const references: { readonly [K in Kind]: Readonly<Record<string, Kind>> } = byKind((kind) =>
  Object.fromEntries(referencesOf(kind).map(({ field, to }) => [field, to])),
)

/** The fields of a kind that are words for people: no figure rests on them. */
export const words: { readonly [K in Kind]: ReadonlySet<string> } = byKind(
  (kind) => new Set(fieldsOf(kind).flatMap(([field, meta]) => (meta.words === true ? [field] : []))),
)

/** All kinds, each after those it refers to, so that rows are written parents first. */
export const kindNames: readonly Kind[] = (() => {
  const placed = new Set<Kind>()
  const place = (kind: Kind): void => {
    if (placed.has(kind)) return
    for (const { to, deferred } of referencesOf(kind)) if (!deferred && to !== kind) place(to)
    placed.add(kind)
  }
  for (const kind of declared) place(kind)
  return [...placed]
})()
export const makeoverKinds = kindNames.filter((kind): kind is MakeoverKind => !isStudioKind(kind))

/** Kinds that hold what is personal: the diary of changes names their fields but never keeps their values. */
export const personalKinds: ReadonlySet<Kind> = new Set(
  declared.filter((kind) => schemas[kind].describe().meta?.personal),
)

/** The fields that no two rows of a kind share. */
export const onceIn: { readonly [K in Kind]: readonly string[] } = byKind(
  (kind) => schemas[kind].describe().meta?.once ?? [],
)

/** What a person calls a row of this kind. */
export const spoken: { readonly [K in Kind]: string } = byKind((kind) => schemas[kind].describe().meta?.spoken ?? kind)

/** “a room”, “an order”. */
export const aSpoken = (kind: Kind): string => `${/^[aeiou]/.test(spoken[kind]) ? 'an' : 'a'} ${spoken[kind]}`

function byKind<T>(make: (kind: Kind) => T): { readonly [K in Kind]: T } {
  return Object.fromEntries(declared.map((kind) => [kind, make(kind)])) as { readonly [K in Kind]: T }
}
