import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import { addressesOf, readReach, WrongSetting } from './reach.ts'

const folder = mkdtempSync(join(tmpdir(), 'bonitas-reach-'))
const [cert, key, text] = [join(folder, 'bonitas.crt'), join(folder, 'bonitas.key'), join(folder, 'other')]
// the command that docs/operations.md gives
execFileSync(
  'openssl',
  [
    'req',
    '-x509',
    '-newkey',
    'rsa:2048',
    '-nodes',
    '-days',
    '2',
    '-subj',
    '/CN=bonitas',
    '-addext',
    'subjectAltName=IP:192.168.1.20',
    '-keyout',
    key,
    '-out',
    cert,
  ],
  { stdio: 'ignore' },
)
writeFileSync(text, 'nothing of the sort')
afterAll(() => rmSync(folder, { recursive: true, force: true }))
const production = { NODE_ENV: 'production' }

describe('where it can be reached', () => {
  it('is this machine alone, unless it is told otherwise', () =>
    expect(readReach(production)).toMatchObject({
      host: '127.0.0.1',
      port: 8080,
      tls: null,
      secure: false,
      open: false,
    }))
  it('is the house over HTTPS, with a certificate', () =>
    expect(readReach({ ...production, HOST: '0.0.0.0', TLS_CERT: cert, TLS_KEY: key })).toMatchObject({
      secure: true,
      open: true,
      tls: { cert: expect.any(Buffer), key: expect.any(Buffer) },
    }))
  it('may be behind a proxy that is named', () => {
    expect(readReach({ ...production, HOST: '0.0.0.0', TRUST_PROXY: '1' })).toMatchObject({
      trustProxy: 1,
      secure: true,
    })
    expect(readReach({ TRUST_PROXY: 'loopback, 10.0.0.2' })).toMatchObject({ trustProxy: 'loopback, 10.0.0.2' })
  })
  it.each<[string, Record<string, string>, RegExp]>([
    [
      'an open address in the clear',
      { ...production, HOST: '0.0.0.0' },
      /HOST is 0\.0\.0\.0, which others can reach.*Set TLS_CERT and TLS_KEY/,
    ],
    ['half a certificate', { TLS_CERT: cert }, /TLS_KEY is not set/],
    ['half a certificate, the other half', { TLS_KEY: key }, /TLS_CERT is not set/],
    ['a certificate that is not there', { TLS_CERT: join(folder, 'no'), TLS_KEY: key }, /TLS_CERT is .*no file there/],
    ['a certificate that is none', { TLS_CERT: text, TLS_KEY: key }, /expected a PEM file with a CERTIFICATE/],
    ['a key that is a certificate', { TLS_CERT: cert, TLS_KEY: cert }, /expected a PEM file with a PRIVATE KEY/],
    ['trust in everybody', { TRUST_PROXY: 'true' }, /TRUST_PROXY is “true”: expected how many/],
  ])('refuses %s, and says what to set', (_name, env, message) => {
    expect(() => readReach(env)).toThrow(WrongSetting)
    expect(() => readReach(env)).toThrow(message)
  })
  it('names the addresses to type, and none while nobody else could reach them', () => {
    const card = (address: string, internal = false) => ({
      address,
      internal,
      family: 'IPv4' as const,
      netmask: '',
      mac: '',
      cidr: null,
    })
    const interfaces = { lo: [card('127.0.0.1', true)], wifi: [card('192.168.1.20')] }
    const tls = { cert: Buffer.of(), key: Buffer.of() }
    expect(addressesOf({ host: '0.0.0.0', port: 8443, tls, open: true }, interfaces, 'studio.local')).toEqual([
      'https://192.168.1.20:8443',
      'https://studio.local:8443',
    ])
    expect(addressesOf({ host: '192.168.1.20', port: 8080, tls: null, open: true }, interfaces, 'x')).toEqual([
      'http://192.168.1.20:8080',
    ])
    expect(addressesOf({ host: '127.0.0.1', port: 8080, tls: null, open: false }, interfaces, 'x')).toEqual([])
  })
})
