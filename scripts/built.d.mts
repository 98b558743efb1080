import type { ChildProcess } from 'node:child_process'
export function build(): void
export function forkServer(env: NodeJS.ProcessEnv, stdio?: 'inherit' | 'ignore' | 'pipe'): ChildProcess
