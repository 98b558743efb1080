export const databaseName: string
export function freePort(): Promise<number>
type Running = { readonly address: (database: string) => string; readonly port: number; readonly stop: () => void }
export function startPostgres(home: string, options?: { forTests?: boolean; port?: number }): Promise<Running>
export function runningPostgres(home: string): ((database: string) => string) | null
export function stopPostgres(home: string): void
export function client(program: string, address: string, args: readonly string[]): { ok: boolean; said: string }
export function ensureDatabase(address: (database: string) => string): Promise<string>
export function servingAddress(address: (database: string) => string): Promise<string>
