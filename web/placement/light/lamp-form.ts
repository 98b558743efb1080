/** The small form of what a candidate gives as a lamp. */
import { lampSpreads } from '#core/makeover/room-choices.ts'
import { choiceField, maybeLengthField, maybeNumberField, numberField, yesField } from '../../parts/form.ts'
import { asOptions, rowForm } from '../../parts/rowform.ts'
import type { Entry } from '../../stores/entry.ts'

const isBeam = ({ spread = '' }: Readonly<Record<string, string>>): boolean => spread === 'beam'

export const lampForm = (entry: Entry, name: string, candidateId: string) =>
  rowForm({
    kind: 'lamp',
    title: () => `What ${name} gives`,
    fields: (row) => ({
      lumens: numberField(row?.lumens ?? null, 0),
      kelvin: maybeNumberField(row?.kelvin ?? null, 0),
      spread: choiceField(lampSpreads, row?.spread ?? 'all round'),
      beamDeg: maybeNumberField(row?.beamDeg ?? null, 0),
      sourceMm: maybeLengthField(entry, row?.sourceMm ?? null),
      dims: yesField(row?.dims ?? false),
      water: maybeNumberField(row?.water ?? null, 0),
    }),
    layout: [
      [
        { key: 'lumens', label: 'All its bulbs together', unit: 'lm', hint: 'as the packet says' },
        { key: 'kelvin', label: 'Colour', unit: 'K', optional: true, hint: '2700 is warm, 4000 cool' },
      ],
      [
        { key: 'spread', label: 'Spreads its light', as: 'choice', options: asOptions(lampSpreads) },
        { key: 'beamDeg', label: 'Angle of the beam', unit: '°', optional: true, when: isBeam },
      ],
      [
        { key: 'sourceMm', label: 'Its light above its lower end', unit: entry.unit, optional: true },
        { key: 'water', label: 'Second figure of its IP mark', optional: true, hint: 'IP44: 4' },
      ],
      [{ key: 'dims', label: 'Can be dimmed', as: 'yes' }],
    ],
    toRow: (read) => ({ ...read, candidateId }),
    sentence: () => `Said what ${name} gives`,
    removed: () => `${name} is not said what it gives`,
    caution: 'New points, and all wiring near water, are for a licensed electrician.',
  })
