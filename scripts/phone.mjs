// npm start -- --phone: a certificate for the addresses this machine has in the house, made on the spot and kept.
import { X509Certificate } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { hostname, networkInterfaces } from 'node:os'
import { join } from 'node:path'
import { dataFolder } from './prerequisites.mjs'

/** The names and addresses a phone in the house may type. */
export const namesHere = (interfaces = networkInterfaces(), name = hostname()) => ({
  names: [...new Set(['localhost', name, `${name}.local`])].filter((own) => /^[\w.-]+$/.test(own)),
  addresses: [
    '127.0.0.1',
    ...Object.values(interfaces)
      .flatMap((all) => all ?? [])
      .filter(({ family, internal }) => family === 'IPv4' && !internal)
      .map(({ address }) => address),
  ],
})

/** Is this certificate good for a month more, and for every address the machine has now? */
export function isGood(pem, { addresses }, atMs = Date.now()) {
  try {
    const certificate = new X509Certificate(pem)
    return (
      Date.parse(certificate.validTo) - atMs > 30 * 86_400_000 &&
      addresses.every((address) => certificate.checkIP(address) !== undefined)
    )
  } catch {
    return false
  }
}

/** The settings that make it reachable in the house over HTTPS. The key is only readable by whoever started it. */
export async function phoneSettings() {
  const folder = join(dataFolder(), 'phone')
  const [cert, key] = [join(folder, 'certificate.pem'), join(folder, 'key.pem')]
  const here = namesHere()
  if (!(existsSync(cert) && existsSync(key) && isGood(readFileSync(cert), here))) {
    const { generate } = await import('selfsigned')
    const made = await generate([{ name: 'commonName', value: 'Bonitas in this house' }], {
      keyType: 'ec',
      algorithm: 'sha256',
      // a phone takes none that is good for longer
      notAfterDate: new Date(Date.now() + 397 * 86_400_000),
      extensions: [
        { name: 'basicConstraints', cA: true, critical: true },
        { name: 'keyUsage', keyCertSign: true, digitalSignature: true },
        { name: 'extKeyUsage', serverAuth: true },
        {
          name: 'subjectAltName',
          altNames: [
            ...here.names.map((value) => ({ type: 2, value })),
            ...here.addresses.map((ip) => ({ type: 7, ip })),
          ],
        },
      ],
    })
    mkdirSync(folder, { recursive: true, mode: 0o700 })
    writeFileSync(key, made.private, { mode: 0o600 })
    writeFileSync(cert, made.cert)
  }
  return { HOST: '0.0.0.0', TLS_CERT: cert, TLS_KEY: key }
}
