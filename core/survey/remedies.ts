/** What cures remarks on the survey without a tape: what was only said wrongly. */
import { edit } from '../makeover/change.ts'
import type { Remedies } from '../remarks/remedy.ts'
import type { catalogue } from './catalogue.ts'

export const surveyRemedies = {
  'shared-differs': {
    words: 'Settle it',
    find: ({ subjects }, makeover) => {
      const [left, right] = subjects.map(({ id }) => makeover.rows.opening[id])
      if (!left || !right) return []
      const size = ({ widthMm, sillMm, headMm }: typeof left) => ({ widthMm, sillMm, headMm })
      const roomOf = ({ wallId }: typeof left): string =>
        makeover.rows.room[makeover.rows.wall[wallId]?.roomId ?? '']?.name ?? 'the other room'
      const sharing = left.sharesId === right.id ? left : right
      return [
        ...[
          [left, right],
          [right, left],
        ].flatMap(([kept, given]) =>
          kept && given
            ? [
                {
                  title: `Took the size of the opening as measured from ${roomOf(kept)}`,
                  detail: 'The other reading is given up.',
                  operations: [edit('opening', given, size(kept))],
                },
              ]
            : [],
        ),
        {
          title: 'Said that they are two openings',
          detail: 'Each keeps its own size.',
          operations: [edit('opening', sharing, { sharesId: null })],
        },
      ]
    },
  },
} as const satisfies Partial<Record<keyof typeof catalogue, Remedies>>
