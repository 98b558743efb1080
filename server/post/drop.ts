/**
 * Letters as files: where a folder is named for it, each letter of the studio itself lies there as a message (RFC 5322), readable by its
 * owner alone, for whatever really sends mail to take up. It is how an owner who is locked out comes back in.
 */
import { rm, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Written } from '../accounts/tickets.ts'
import type { Setting } from '../setting.ts'

const fileOf = (folder: string, letterId: string): string => join(folder, `${letterId}.eml`)

/** Lays a letter down; without a folder it is only in the outbox of the studio. */
export async function layDown({ outbox, address = '' }: Setting, written: Written, nowMs: number): Promise<void> {
  if (!outbox) return
  const { letterId, to, subject, opens } = written
  const text = [
    `Date: ${new Date(nowMs).toUTCString().replace('GMT', '+0000')}`,
    'From: Bonitas <bonitas@localhost>',
    `To: <${to.replace(/[\r\n<>]/g, '')}>`,
    `Subject: ${subject}`,
    `Message-ID: <${letterId}@bonitas.localhost>`,
    'MIME-Version: 1.0',
    'Content-Type: text/plain; charset=utf-8',
    '',
    `${subject}. Open this once, and let nobody else have it:`,
    '',
    `${address}${opens}`,
    '',
    'If you did not ask for it, leave it: nothing happens.',
    '',
  ]
  await writeFile(fileOf(outbox, letterId), text.join('\r\n'), { mode: 0o600 })
}

/** Takes a letter away again: it was lost, or what it opened was taken back. */
export const takeAway = async ({ outbox }: Setting, letterId: string): Promise<void> => {
  if (outbox) await rm(fileOf(outbox, letterId), { force: true })
}
