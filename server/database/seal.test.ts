import { createDecipheriv, hkdfSync } from 'node:crypto'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { openSeal, Unsealable } from './seal.ts'

const key = 'a key of more than thirty-two characters'
const texts = fc.string({ unit: 'grapheme', maxLength: 60 }).filter((text) => !text.startsWith('sealed.'))

describe('a seal', () => {
  it('keeps any text, never twice the same, and shows nothing of it', () =>
    fc.assert(
      fc.property(texts, fc.string(), (text, about) => {
        const seal = openSeal(key)
        const [left, right] = [seal.close(text, about), seal.close(text, about)]
        expect(left).not.toBe(right)
        if (text.length > 3) expect(left).not.toContain(text)
        expect([seal.open(left, about), seal.open(right, about)]).toEqual([text, text])
      }),
    ))
  it('opens with no other key, about nothing else, and not once a bit of it was turned', () =>
    fc.assert(
      fc.property(texts, fc.nat(), (text, at) => {
        const seal = openSeal(key)
        const sealed = seal.close(text, 'person')
        const bytes = Buffer.from(sealed.slice('sealed.'.length), 'base64url')
        bytes[at % bytes.length] = (bytes[at % bytes.length] ?? 0) ^ 1
        expect(() => openSeal(`${key} `).open(sealed, 'person')).toThrow(Unsealable)
        expect(() => openSeal(null).open(sealed, 'person')).toThrow(Unsealable)
        expect(() => seal.open(sealed, 'somebody')).toThrow(Unsealable)
        expect(() => seal.open(`sealed.${bytes.toString('base64url')}`, 'person')).toThrow(Unsealable)
      }),
    ))
  it('is AES-256-GCM with a nonce of 96 bits and a tag of 128 (NIST SP 800-38D), under HKDF-SHA256 (RFC 5869)', () => {
    const bytes = Buffer.from(openSeal(key).close('JBSWY3DP', 'person').slice('sealed.'.length), 'base64url')
    const derived = Buffer.from(hkdfSync('sha256', key, '', 'bonitas seal', 32))
    const decipher = createDecipheriv('aes-256-gcm', derived, bytes.subarray(0, 12))
    decipher.setAAD(Buffer.from('person'))
    decipher.setAuthTag(bytes.subarray(12, 28))
    expect(decipher.update(bytes.subarray(28), undefined, 'utf8') + decipher.final('utf8')).toBe('JBSWY3DP')
  })
  it('without a key leaves a text as it is, and with one reads what was never sealed', () => {
    expect(openSeal(null).close('JBSWY3DP', 'person')).toBe('JBSWY3DP')
    expect(openSeal(key).open('JBSWY3DP', 'person')).toBe('JBSWY3DP')
  })
})
