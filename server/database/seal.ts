/**
 * What the database keeps sealed, by a key that it does not have: a dump, a backup or whoever reads its rows has nothing
 * of it. AES-256-GCM (NIST SP 800-38D) under a key derived by HKDF (RFC 5869); bound to what it is about, so that it
 * fits no other row.
 */
import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto'

export type Seal = {
  readonly close: (text: string, about: string) => string
  /** Throws Unsealable where it was sealed with another key, or about something else. */
  readonly open: (text: string, about: string) => string
}

export class Unsealable extends Error {}

const mark = 'sealed.'
const [ivBytes, tagBytes] = [12, 16]
/** In characters. */
export const shortestKey = 32

/** Without a key nothing is sealed, and what is not sealed is read as it is: it was written before there was one. */
export function openSeal(key: string | null): Seal {
  const secret = key === null ? null : Buffer.from(hkdfSync('sha256', key, '', 'bonitas seal', 32))
  return {
    close(text, about) {
      if (!secret) return text
      const iv = randomBytes(ivBytes)
      const cipher = createCipheriv('aes-256-gcm', secret, iv).setAAD(Buffer.from(about))
      const sealed = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()])
      return mark + Buffer.concat([iv, cipher.getAuthTag(), sealed]).toString('base64url')
    },
    open(text, about) {
      if (!text.startsWith(mark)) return text
      if (!secret) throw new Unsealable('SEAL_KEY is not set, and something was sealed with it')
      try {
        const bytes = Buffer.from(text.slice(mark.length), 'base64url')
        const decipher = createDecipheriv('aes-256-gcm', secret, bytes.subarray(0, ivBytes), {
          authTagLength: tagBytes,
        })
          .setAAD(Buffer.from(about))
          .setAuthTag(bytes.subarray(ivBytes, ivBytes + tagBytes))
        return decipher.update(bytes.subarray(ivBytes + tagBytes), undefined, 'utf8') + decipher.final('utf8')
      } catch {
        throw new Unsealable('SEAL_KEY is not the key that it was sealed with')
      }
    },
  }
}
