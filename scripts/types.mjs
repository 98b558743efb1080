// The types of every floor: the core without DOM or Node, the server, the interface.
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { root } from './prerequisites.mjs'

const checks = [
  ['typescript/bin/tsc', '-p', 'tsconfig.core.json'],
  ['typescript/bin/tsc', '-p', 'tsconfig.json'],
  ['vue-tsc/bin/vue-tsc.js', '-p', 'tsconfig.web.json'],
]
let failed = false
for (const [program, ...args] of checks) {
  const { status } = spawnSync(process.execPath, [join(root, 'node_modules', program), ...args], {
    cwd: root,
    stdio: 'inherit',
  })
  failed ||= status !== 0
}
process.exit(failed ? 1 : 0)
