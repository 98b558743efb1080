/** How remarks of the surfaces are cured with one change. */
import { edit } from '../makeover/change.ts'
import type { Remedies } from '../remarks/remedy.ts'
import type { catalogue } from './catalogue.ts'
import { lineOperations } from './line.ts'
import type { TakeOff } from './take-off/told.ts'
import { dressingLine, type DressedWindow } from './windows/index.ts'

type Has = { readonly takeOffs: readonly TakeOff[]; readonly dressings: readonly DressedWindow[] }
const takenOf = ({ takeOffs }: Has, subjects: readonly { readonly kind: string; readonly id: string }[]) =>
  takeOffs.find(({ treatment }) => subjects.some(({ kind, id }) => kind === 'treatment' && id === treatment.id))

/** The line says what is needed: what is open of it is then to be bought. */
const update: Remedies = {
  words: 'Bring it up to date',
  find: ({ subjects }, makeover, reckoning: Has, newId) => {
    const taken = takenOf(reckoning, subjects)
    const hangs = reckoning.dressings.find(({ row }) =>
      subjects.some(({ kind, id }) => kind === 'dressing' && id === row.id),
    )
    const operations = taken
      ? lineOperations(makeover, taken, reckoning.takeOffs, newId)
      : hangs
        ? dressingLine(makeover, hangs, reckoning.dressings, newId)
        : []
    return operations.length === 0
      ? []
      : [
          {
            title: `Brought the line for ${taken?.finish.name ?? hangs?.window.name ?? ''} to what is needed`,
            detail: 'What was ordered stays; the rest is open to order.',
            operations,
          },
        ]
  },
}

export const surfaceRemedies = {
  outdated: update,
  short: update,
  sliver: {
    words: 'Shift it',
    find: ({ subjects }, makeover, reckoning: Has) => {
      const taken = takenOf(reckoning, subjects)
      const row = taken && makeover.rows.treatment[taken.treatment.id]
      const shift = taken?.reckoned?.ok ? taken.reckoned.says.find(({ code }) => code === 'sliver')?.shift : undefined
      return row && shift
        ? [
            {
              title: `Shifted the tiles of ${taken.finish.name}`,
              detail: 'The narrowest cuts become as wide as they can be.',
              operations: [edit('treatment', row, { startMm: shift.startMm, upMm: shift.upMm })],
            },
          ]
        : []
    },
  },
} as const satisfies Partial<Record<keyof typeof catalogue, Remedies>>
