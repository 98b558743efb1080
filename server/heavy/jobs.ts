/** What takes long is worked out in a process of its own, where neither its time nor its memory is the server's. */
import { setPriority } from 'node:os'
import type { Damaged, writeParcel, writeZip } from '#core/parcel/index.ts'
import type { briefPdf } from '../documents/brief-pdf.ts'
import type { asWorkbook } from '../documents/sheets.ts'
import type { presentationPdf } from '../documents/presentation-pdf.ts'
import type { statementPdf } from '../documents/statement-pdf.ts'
import type { installPaper, planPaper } from '../documents/calendar-paper.ts'
import type { everythingPdf } from '../documents/everything-pdf.ts'
import type { hangingPaper } from '../documents/hanging-paper.ts'
import type { placementPaper } from '../documents/placement-paper.ts'
import type { surfacesPaper } from '../documents/surfaces-paper.ts'
import type { surveyPaper } from '../documents/survey-paper.ts'
import type { Told } from '../makeovers/summary-of.ts'
import { Problem } from '../problem.ts'
import { sha256Of } from '../digest.ts'

/** Each loads what it needs when it is first asked for, so that a picture does not wait for what writes papers. */
const jobs = {
  picture: async ({ bytes }: { bytes: Uint8Array }) => (await pictures()).preparePicture(Buffer.from(bytes)),
  thumbnail: async ({ bytes }: { bytes: Uint8Array }) => (await pictures()).thumbnailOf(Buffer.from(bytes)),
  brief: async ({ told }: { told: Parameters<typeof briefPdf> }) =>
    (await import('../documents/brief-pdf.ts')).briefPdf(...told),
  statement: async ({ told }: { told: Parameters<typeof statementPdf> }) =>
    (await import('../documents/statement-pdf.ts')).statementPdf(...told),
  workbook: async ({ told }: { told: Parameters<typeof asWorkbook> }) =>
    (await import('../documents/sheets.ts')).asWorkbook(...told),
  survey: async ({ told }: { told: Parameters<typeof surveyPaper> }) =>
    (await import('../documents/survey-paper.ts')).surveyPaper(...told),
  placement: async ({ told }: { told: Parameters<typeof placementPaper> }) =>
    (await import('../documents/placement-paper.ts')).placementPaper(...told),
  hanging: async ({ told }: { told: Parameters<typeof hangingPaper> }) =>
    (await import('../documents/hanging-paper.ts')).hangingPaper(...told),
  plan: async ({ told }: { told: Parameters<typeof planPaper> }) =>
    (await import('../documents/calendar-paper.ts')).planPaper(...told),
  install: async ({ told }: { told: Parameters<typeof installPaper> }) =>
    (await import('../documents/calendar-paper.ts')).installPaper(...told),
  presentation: async ({ told }: { told: Parameters<typeof presentationPdf> }) =>
    (await import('../documents/presentation-pdf.ts')).presentationPdf(...told),
  everything: async ({ told }: { told: Parameters<typeof everythingPdf> }) =>
    (await import('../documents/everything-pdf.ts')).everythingPdf(...told),
  surfaces: async ({ told }: { told: Parameters<typeof surfacesPaper> }) =>
    (await import('../documents/surfaces-paper.ts')).surfacesPaper(...told),
  parcel: async ({ told }: { told: Parameters<typeof writeParcel> }) =>
    (await import('#core/parcel/index.ts')).writeParcel(...told),
  zip: async ({ told }: { told: Parameters<typeof writeZip> }) =>
    (await import('#core/parcel/index.ts')).writeZip(...told),
  summary: async ({ told }: { told: Told }) => (await import('../makeovers/summary-of.ts')).summaryOf(told),
  read: async ({ bytes }: { bytes: Uint8Array }) => (await import('#core/parcel/index.ts')).readParcel(bytes, sha256Of),
} as const

async function pictures() {
  const { default: sharp } = await import('sharp')
  sharp.concurrency(1)
  sharp.cache(false)
  return import('../attachments/pictures.ts')
}

export type Job = keyof typeof jobs
export type Input<J extends Job> = Parameters<(typeof jobs)[J]>[0]
export type Output<J extends Job> = Awaited<ReturnType<(typeof jobs)[J]>>

/** What comes back: errors that are meant for a person do not survive the way between processes, and are told in words. */
export type Answer<T> =
  | { readonly is: 'done'; readonly value: T }
  | { readonly is: 'problem'; readonly told: ConstructorParameters<typeof Problem> }
  | { readonly is: 'damaged'; readonly told: readonly [place: string, wrong: string] }

try {
  setPriority(10) // whoever waits for a page comes first
} catch {
  // where that is not allowed it works all the same
}

export default async function work<J extends Job>({
  job,
  input,
}: {
  job: J
  input: Input<J>
}): Promise<Answer<Output<J>>> {
  try {
    return { is: 'done', value: (await jobs[job](input as never)) as Output<J> }
  } catch (error) {
    if (error instanceof Problem)
      return { is: 'problem', told: [error.status, error.code, error.title, error.detail, error.more] }
    if (isDamaged(error)) return { is: 'damaged', told: [error.place, error.wrong] }
    throw error
  }
}

/** Known by what it carries: to load what reads files only to know its error would be too dear. */
const isDamaged = (error: unknown): error is Damaged => error instanceof Error && 'place' in error && 'wrong' in error
