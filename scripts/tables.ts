/**
 * npm run tables: writes server/database/rows.generated.ts, one table a kind, from the schemas of the kinds. Then
 * `npm run migration` says in SQL what changed.
 */
import { writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { format, resolveConfig } from 'prettier'
import { fieldsOf, isStudioKind, kindNames, type FieldMeta, type Kind } from '#core/makeover/kinds.ts'

export const tablesFile = fileURLToPath(new URL('../server/database/rows.generated.ts', import.meta.url))

const snake = (name: string): string => name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`)
const plural = (name: string): string =>
  /[^aeiou]y$/.test(name) ? `${name.slice(0, -1)}ies` : /(s|sh|ch|x)$/.test(name) ? `${name}es` : `${name}s`
/** The table of a kind, as it is called in the code: a studio's rows are `studios`, a finish is in `finishes`. */
export const tableName = (kind: Kind): string => plural(kind)

const isDay = (json: FieldMeta['json']): boolean =>
  typeof json?.pattern === 'string' && json.pattern.startsWith('^\\d{4}-')

/** The column that keeps a field: by what its schema says of it. */
function columnOf(field: string, { json, to, nullable }: FieldMeta): string {
  const name = `'${snake(field)}'`
  const kept =
    to !== undefined
      ? `uuid(${name})`
      : json?.type === 'integer'
        ? /Minor$/.test(field)
          ? `minor(${name})`
          : `integer(${name})`
        : json?.type === 'number'
          ? json.exclusiveMinimum === 0
            ? `quantity(${name})`
            : `doublePrecision(${name})`
          : json?.type === 'boolean'
            ? `boolean(${name})`
            : isDay(json)
              ? `day(${name})`
              : `text(${name})`
  return `${field}: ${kept}${nullable ? '' : '.notNull()'},`
}

const table = (kind: Kind): string => {
  const name = snake(tableName(kind))
  return `export const ${tableName(kind)} = pgTable('${name}', {
  ...${isStudioKind(kind) ? 'shared' : 'own'}(),
  ${fieldsOf(kind)
    .map(([field, meta]) => columnOf(field, meta))
    .join('\n  ')}
}, (t) => keysOf('${kind}', '${name}', t, tableOf))\n`
}

const list = (kinds: readonly Kind[]): string => kinds.map((kind) => `  ${kind}: ${tableName(kind)},`).join('\n')

/** The text of the generated file. */
export async function tablesText(): Promise<string> {
  const text = `/** Written by \`npm run tables\` from the schemas of the kinds: change those, and not this. */
import { boolean, doublePrecision, integer, pgTable, text, uuid } from 'drizzle-orm/pg-core'
import type { Kind } from '#core/makeover/kinds.ts'
import { day, minor, own, quantity, shared } from './columns.ts'
import { keysOf } from './keys.ts'

${kindNames.map(table).join('\n')}
export const studioTables = {
${list(kindNames.filter(isStudioKind))}
}
export const makeoverTables = {
${list(kindNames.filter((kind) => !isStudioKind(kind)))}
}
export const tables = { ...studioTables, ...makeoverTables }

function tableOf(kind: Kind): unknown {
  return tables[kind]
}
`
  return format(text, { ...(await resolveConfig(tablesFile)), parser: 'typescript' })
}

if (process.argv[1] === fileURLToPath(import.meta.url)) writeFileSync(tablesFile, await tablesText())
