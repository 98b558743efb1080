import type { Client } from 'pg'
export function connected<T>(address: string, work: (connection: Client) => Promise<T>): Promise<T>
