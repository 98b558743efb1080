/** Where things lie in an installation, for the server read from its sources and for the built one alike. */
import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'

const built = import.meta.filename.endsWith('.js')
const root = join(import.meta.dirname, built ? '../..' : '..')

/** The built pages. */
export const pages = join(root, 'dist/web')
export const migrations = join(root, 'server/database/migrations')
/** The program of heavy work, and how a process of it is started. */
export const heavyJobs = built
  ? { filename: join(root, 'dist/server/jobs.js'), execArgv: [] }
  : { filename: join(root, 'server/heavy/jobs.ts'), execArgv: ['--import', 'tsx'] }
/** Tells one state of the program from another: what was reckoned by other rules is reckoned again. Read from its sources, each process is another. */
export const rules = built ? readFileSync(join(root, 'dist/server/.built-from'), 'utf8') : randomUUID()
