import { createHash } from 'node:crypto'

/** SHA-256, in hexadecimal: of what is kept by its content, and of what only whoever has it may know. */
export const sha256Of = (content: string | Uint8Array): string => createHash('sha256').update(content).digest('hex')
