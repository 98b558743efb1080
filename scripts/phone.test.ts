/** The certificate that npm start -- --phone makes, read by Node's own X.509 and by openssl. */
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, expect, it } from 'vitest'
import { isGood, namesHere, phoneSettings } from './phone.mjs'

const home = mkdtempSync(join(tmpdir(), 'bonitas-phone-'))
process.env.BONITAS_HOME = home
afterAll(() => rmSync(home, { recursive: true }))

it('is good for every address of the machine, for a year and a month, and is kept', async () => {
  const { HOST, TLS_CERT, TLS_KEY } = await phoneSettings()
  expect(HOST).toBe('0.0.0.0')
  const pem = readFileSync(TLS_CERT)
  expect(isGood(pem, namesHere())).toBe(true)
  expect(isGood(pem, namesHere(), Date.now() + 380 * 86_400_000)).toBe(false)
  expect(isGood(pem, { addresses: ['203.0.113.7'] })).toBe(false) // an address of RFC 5737, of nobody
  expect(isGood(Buffer.from('no certificate'), namesHere())).toBe(false)
  expect(statSync(TLS_KEY).mode & 0o777).toBe(0o600)
  const told = execFileSync('openssl', ['x509', '-in', TLS_CERT, '-noout', '-text'], { encoding: 'utf8' })
  expect(told).toMatch(/Subject Alternative Name[\s\S]*DNS:localhost[\s\S]*IP Address:127\.0\.0\.1/)
  expect(told).toMatch(/ecdsa-with-SHA256/)
  await phoneSettings()
  expect(readFileSync(TLS_CERT)).toEqual(pem)
})
