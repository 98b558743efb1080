/** What cures remarks on the brief. */
import { blank } from '../makeover/blank.ts'
import { add } from '../makeover/change.ts'
import { zero } from '../money/minor.ts'
import type { Remedies } from '../remarks/remedy.ts'
import type { catalogue } from './catalogue.ts'

export const briefRemedies = {
  'need-unserved': {
    words: 'Plan a piece for it',
    find: (remark, makeover, _reckoning, newId) =>
      remark.subjects.flatMap(({ id }) => {
        const need = makeover.rows.need[id]
        if (!need) return []
        const pieceId = newId()
        return [
          {
            title: `Planned a piece for “${need.name}”`,
            detail: 'It has no sum and no candidate yet: give it both on its page.',
            operations: [
              add('piece', pieceId, {
                ...blank.piece,
                roomId: need.roomId,
                zoneId: null,
                categoryId: null,
                name: need.name,
                quantity: 1,
                unit: 'pieces',
                allowanceMinor: zero,
                chosenId: null,
                chosenReason: '',
              }),
              add('serving', newId(), { needId: need.id, pieceId }),
            ],
          },
        ]
      }),
  },
} as const satisfies Partial<Record<keyof typeof catalogue, Remedies>>
