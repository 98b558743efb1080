/** The demo's makeovers, as their files hold them. For tests. */
import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import type { Documents } from '../makeover/change.ts'
import { readParcel } from '../parcel/index.ts'

const files = ['music-room-tern-house', 'breakfast-room-the-lantern-inn', 'tea-room-long-acre-allotments']

export const demoDocuments = (): Documents[] =>
  files.map(
    (file) =>
      readParcel(readFileSync(`demo/${file}.zip`), (bytes) => createHash('sha256').update(bytes).digest('hex'))
        .documents,
  )
