/** Passwords: how they are kept, and which are too easily guessed to be taken. */
import { hash, verify } from '@node-rs/argon2'
import type { ZxcvbnFactory } from '@zxcvbn-ts/core'

/** argon2id with the parameters that OWASP's password storage sheet gives as its first choice (19 MiB, 2 passes, 1 lane). */
export const hashPassword = (password: string): Promise<string> =>
  hash(password, { memoryCost: 19_456, timeCost: 2, parallelism: 1 })

export const fitsHash = (passwordHash: string, password: string): Promise<boolean> => verify(passwordHash, password)

export const leastLetters = 12

let guesser: ZxcvbnFactory | undefined
/** Guesses that somebody with many tries would not get to (zxcvbn’s third step of four: more than a hundred million). */
const safeFrom = 3

/** Its lists are large, and seldom asked for: they are read with the first new password. */
async function openGuesser(): Promise<ZxcvbnFactory> {
  const { ZxcvbnFactory } = await import('@zxcvbn-ts/core')
  const { dictionary, adjacencyGraphs: graphs } = await import('@zxcvbn-ts/language-common')
  return new ZxcvbnFactory({ dictionary, graphs })
}

/**
 * What is wrong with a password, or null: too short, or found early by whoever guesses with the common passwords,
 * keyboard rows, repeats, and what is known of the person (OWASP ASVS 2.1.1, 2.1.7).
 */
export async function weakness(password: string, about: readonly string[]): Promise<string | null> {
  if ([...password].length < leastLetters) return `is too short: expected at least ${leastLetters} characters`
  guesser ??= await openGuesser()
  const known = ['bonitas', ...about.flatMap((text) => [text, ...text.split(/[\s@.]+/)])].filter((text) => text !== '')
  return guesser.check(password.normalize('NFC').slice(0, 100), known).score >= safeFrom
    ? null
    : 'is easily guessed: expected a few words that do not belong together, and nothing about you'
}
