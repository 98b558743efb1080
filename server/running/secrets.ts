/** Secrets come from the environment, or from files that it names: `DATABASE_URL_FILE` stands for `DATABASE_URL`. */
import { readFileSync } from 'node:fs'

/** What may be told by a file, so that no list of processes shows it. */
const secrets = [
  'DATABASE_URL',
  'DATABASE_OWNER_URL',
  'DATABASE_LISTEN_URL',
  'DEMO_PASSWORD',
  'METRICS_TOKEN',
  'SEAL_KEY',
] as const

/** Reads what is told by a file into the environment. Throws where both are set, or the file cannot be read or is empty. */
export function readSecrets(env: NodeJS.ProcessEnv): void {
  for (const name of secrets) {
    const path = env[`${name}_FILE`]
    if (path === undefined || path === '') continue
    if (env[name] !== undefined) throw new Error(`${name} and ${name}_FILE are both set: expected one of them`)
    let text: string
    try {
      text = readFileSync(path, 'utf8').trim()
    } catch {
      throw new Error(`${name}_FILE is ${path}, which cannot be read`)
    }
    if (text === '') throw new Error(`${name}_FILE is ${path}, which is empty: expected the value of ${name}`)
    env[name] = text
  }
}
