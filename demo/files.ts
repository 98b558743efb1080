/** The demo makeovers as they are on one day, with the pictures that hang on them, as they go into files. */
import { apply, type Documents } from '#core/makeover/change.ts'
import { emptyMakeover, emptyStudio, headOf } from '#core/makeover/document.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import type { ParcelFile } from '#core/parcel/index.ts'
import { demoMakeovers } from './index.ts'
import { hung } from './pictures.ts'

/** The day the files are of; reckon them with `--today 2026-09-01`. */
export const demoDay = plainDate('2026-09-01')

type Drawn = { readonly bytes: Uint8Array; readonly sha256: string }

/** Each makeover by the name of its file; ids count up, so that the same demo gives the same rows. */
export async function demoFiles(
  draw: (svg: string) => Promise<Drawn>,
): Promise<{ name: string; documents: Documents; files: ParcelFile[] }[]> {
  let next = 1
  const newId = (): string => `01900000-0000-7000-8000-${(next++).toString(16).padStart(12, '0')}`
  const studioId = newId()
  const made = []
  let studio = emptyStudio(studioId)
  for (const told of demoMakeovers(demoDay, newId, studio)) {
    let documents: Documents = { makeover: emptyMakeover(told.makeoverId), studio }
    for (const { operations, id } of told.changeSets) documents = apply(documents, operations, id).documents
    const files: ParcelFile[] = []
    const operations = await hung(told.changeSets, demoDay, newId, async (svg) => {
      const { bytes, sha256 } = await draw(svg)
      files.push({ sha256, mediaType: 'image/png', bytes })
      return { sha256, bytes: bytes.length }
    })
    documents = apply(documents, operations, newId()).documents
    studio = documents.studio
    made.push({
      name: (headOf(documents.makeover)?.name ?? '')
        .toLowerCase()
        .replace(/[^a-z]+/g, '-')
        .replace(/^-|-$/g, ''),
      documents,
      files,
    })
  }
  return made
}
