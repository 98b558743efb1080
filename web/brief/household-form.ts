import { maybeLengthField, textField } from '../parts/form.ts'
import { rowForm } from '../parts/rowform.ts'
import type { Entry } from '../stores/entry.ts'

/** A person of the household. */
export const residentForm = (entry: Entry) =>
  rowForm({
    kind: 'resident',
    title: (row) => (row ? 'Change a person' : 'Who lives there'),
    fields: (row) => ({ name: textField(row?.name), eyeMm: maybeLengthField(entry, row?.eyeMm ?? null) }),
    layout: [
      [
        { key: 'name', label: 'Name', hint: 'As they are called at home' },
        {
          key: 'eyeMm',
          label: 'Eyes, standing',
          optional: true,
          unit: entry.unit,
          hint: 'From the floor, in house shoes',
        },
      ],
    ],
    toRow: (values) => values,
    sentence: ({ name }, row) => `${row ? 'Changed' : 'Wrote down'} who lives there: ${name}`,
    removed: ({ name }) => `${name} does not live there`,
  })
