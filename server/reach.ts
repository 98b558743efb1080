/** Where Bonitas can be reached: on this machine alone, or from a phone in the same house over HTTPS. */
import { readFileSync } from 'node:fs'
import { hostname, networkInterfaces } from 'node:os'

/** A setting that is missing or wrong; the message says which, and what was expected. */
export class WrongSetting extends Error {}

export type Reach = {
  readonly host: string
  readonly port: number
  readonly tls: { readonly cert: Buffer; readonly key: Buffer } | null
  readonly trustProxy: string | number | undefined
  /** It is reached over HTTPS: its own, or that of a trusted proxy. */
  readonly secure: boolean
  /** Others than this machine can reach it. */
  readonly open: boolean
}

const loopback = /^(127\.|::1$|localhost$)/

/** The settings HOST, PORT, TLS_CERT, TLS_KEY and TRUST_PROXY. In production nothing is served to others in the clear. */
export function readReach(env: Readonly<Record<string, string | undefined>>): Reach {
  const host = env.HOST ?? '127.0.0.1'
  const port = Number(env.PORT ?? 8080)
  const open = !loopback.test(host)
  const { TLS_CERT: cert, TLS_KEY: key, TRUST_PROXY: proxy } = env
  if ((cert === undefined) !== (key === undefined))
    throw new WrongSetting(
      `${cert === undefined ? 'TLS_CERT' : 'TLS_KEY'} is not set: expected the path of a file, since ${cert === undefined ? 'TLS_KEY' : 'TLS_CERT'} is`,
    )
  const tls =
    cert !== undefined && key !== undefined
      ? { cert: fileOf('TLS_CERT', cert, 'CERTIFICATE'), key: fileOf('TLS_KEY', key, 'PRIVATE KEY') }
      : null
  if (proxy !== undefined && (proxy === 'true' || !/^(\d{1,2}|[\w.:/, ]+)$/.test(proxy)))
    throw new WrongSetting(
      `TRUST_PROXY is “${proxy}”: expected how many proxies stand before Bonitas (1), or their addresses (loopback, 10.0.0.2)`,
    )
  const trustProxy = proxy === undefined ? undefined : /^\d+$/.test(proxy) ? Number(proxy) : proxy
  const secure = tls !== null || trustProxy !== undefined
  if (env.NODE_ENV === 'production' && open && !secure)
    throw new WrongSetting(
      `HOST is ${host}, which others can reach, and passwords would cross the air in the clear. Set TLS_CERT and TLS_KEY (docs/operations.md says how to make them), or TRUST_PROXY where a proxy before Bonitas speaks HTTPS.`,
    )
  return { host, port, tls, trustProxy, secure, open }
}

function fileOf(name: string, path: string, holds: string): Buffer {
  let bytes: Buffer
  try {
    bytes = readFileSync(path)
  } catch {
    throw new WrongSetting(`${name} is ${path}, and there is no file there that can be read`)
  }
  if (!bytes.includes(`${holds}-----`))
    throw new WrongSetting(`${name} is ${path}: expected a PEM file with a ${holds}`)
  return bytes
}

/** The addresses to type on another device in the same network; none while only this machine is served. */
export function addressesOf(
  { host, port, tls, open }: Pick<Reach, 'host' | 'port' | 'tls' | 'open'>,
  interfaces = networkInterfaces(),
  name = hostname(),
): string[] {
  if (!open) return []
  const scheme = tls ? 'https' : 'http'
  const every = host === '0.0.0.0' || host === '::'
  const own = every
    ? Object.values(interfaces).flatMap((all) =>
        (all ?? [])
          .filter((address) => !address.internal && address.family === 'IPv4')
          .map((address) => address.address),
      )
    : [host]
  return [...own, ...(every ? [`${name.split('.')[0] ?? name}.local`] : [])].map(
    (address) => `${scheme}://${address.includes(':') ? `[${address}]` : address}:${port}`,
  )
}
