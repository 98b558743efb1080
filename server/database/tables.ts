/** All tables, as Drizzle sees them: those of rows are generated from the schemas of the kinds. */
export * from './account-tables.ts'
export * from './own-tables.ts'
export * from './rows.generated.ts'
