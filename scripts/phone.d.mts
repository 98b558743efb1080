import type { NetworkInterfaceInfo } from 'node:os'
export function namesHere(
  interfaces?: NodeJS.Dict<NetworkInterfaceInfo[]>,
  name?: string,
): { names: string[]; addresses: string[] }
export function isGood(pem: Buffer, here: { addresses: string[] }, atMs?: number): boolean
export function phoneSettings(): Promise<{ HOST: string; TLS_CERT: string; TLS_KEY: string }>
