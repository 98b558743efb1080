import { schemaVersion } from '../makeover/change.ts'
import { uuidShape, type JsonShape } from '../makeover/fields.ts'
import { makeoverKinds, schemas, spoken, type Kind } from '../makeover/kinds.ts'
import { parcelFormat, parcelVersion } from './parcel.ts'

const id = { type: 'string', pattern: uuidShape.source }

/** A kind of row as JSON Schema, from the schema that every row is held against. */
function rowShape(kind: Kind): JsonShape {
  const { fields } = schemas[kind].describe()
  const properties = Object.fromEntries(
    Object.entries(fields).map(([field, described]) => {
      const { meta, nullable } = described as { meta?: { json?: JsonShape }; nullable?: boolean }
      if (!meta?.json) throw new Error(`${kind}.${field} does not say what it is`)
      return [field, nullable ? { anyOf: [meta.json, { type: 'null' }] } : meta.json]
    }),
  )
  return {
    type: 'object',
    title: spoken[kind],
    properties: { id, ...properties },
    required: ['id', ...Object.keys(properties)],
    additionalProperties: false,
  }
}

const rowsShape = (kinds: readonly Kind[]): JsonShape => ({
  type: 'object',
  properties: Object.fromEntries(kinds.map((kind) => [kind, { type: 'array', items: rowShape(kind) }])),
  additionalProperties: false,
})

/** The JSON Schema (draft 2020-12) of makeover.json as it is written today. */
export function parcelSchema(): JsonShape {
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'A makeover, as Bonitas writes it',
    description:
      'Money is in whole minor units of the makeover’s currency (ISO 4217), lengths in millimetres, rates in parts per million, colours in CIE L*a*b* (D65). Rows stand in the order of their ids.',
    type: 'object',
    properties: {
      format: { const: parcelFormat },
      version: { const: parcelVersion },
      schemaVersion: { const: schemaVersion },
      id,
      rows: rowsShape(makeoverKinds),
      studio: rowsShape(['seller', 'studioRuling', 'studioSchool']),
      practice: {
        description:
          'What it is reckoned by: every rule and school in force. Told for readers; what decides are the rows.',
        type: 'object',
        properties: {
          rules: { type: 'object', additionalProperties: { type: 'number' } },
          schools: { type: 'object', additionalProperties: { type: 'string' } },
        },
        required: ['rules', 'schools'],
        additionalProperties: false,
      },
    },
    required: ['format', 'version', 'schemaVersion', 'id', 'rows', 'studio', 'practice'],
    additionalProperties: false,
  }
}
