export const databaseName: string
export function startPostgres(home: string, options?: { forTests?: boolean }): Promise<{ address(database: string): string; port: number; stop(): void }>
export function stopPostgres(home: string): void
export function ensureDatabase(address: (database: string) => string): Promise<string>
