/** What cures remarks on pieces. */
import { belongingTo } from '../makeover/by-id.ts'
import { add, edit } from '../makeover/change.ts'
import { rowsOf } from '../makeover/document.ts'
import type { Remedies } from '../remarks/remedy.ts'

const larger = (may: number | null, takes: number | null): number | null =>
  may === null || takes === null ? may : Math.max(may, takes)

export const pieceRemedies = {
  'pieces.too-large': {
    words: 'Give it the room',
    find: (remark, makeover) =>
      remark.subjects.flatMap(({ kind, id }) => {
        const piece = kind === 'piece' ? makeover.rows.piece[id] : undefined
        const chosen = piece?.chosenId ? makeover.rows.candidate[piece.chosenId] : undefined
        if (!piece || !chosen) return []
        // turned round where that takes less
        const straight = Math.max(
          (chosen.widthMm ?? 0) - (piece.widthMm ?? 0),
          (chosen.depthMm ?? 0) - (piece.depthMm ?? 0),
        )
        const turned = Math.max(
          (chosen.depthMm ?? 0) - (piece.widthMm ?? 0),
          (chosen.widthMm ?? 0) - (piece.depthMm ?? 0),
        )
        const [width, depth] = turned < straight ? [chosen.depthMm, chosen.widthMm] : [chosen.widthMm, chosen.depthMm]
        return [
          {
            title: `Gave ${piece.name} the room that ${chosen.name} takes`,
            detail: 'Measure on site first: what it is given has to be there.',
            operations: [
              edit('piece', piece, {
                widthMm: larger(piece.widthMm, width),
                depthMm: larger(piece.depthMm, depth),
                heightMm: larger(piece.heightMm, chosen.heightMm),
              }),
            ],
          },
        ]
      }),
  },
  'pieces.serves-nothing': {
    words: 'Say what it serves',
    find: (remark, makeover, _reckoning, newId) => {
      const piece = makeover.rows.piece[remark.subjects[0]?.id ?? '']
      if (!piece) return []
      const served = new Set(rowsOf(makeover, 'serving').map((row) => row.needId))
      return belongingTo(rowsOf(makeover, 'need'), 'roomId', piece.roomId)
        .toSorted((left, right) => Number(served.has(left.id)) - Number(served.has(right.id)))
        .map((need) => ({
          title: `${piece.name} serves “${need.name}”`,
          detail: served.has(need.id) ? 'Other pieces serve it too.' : 'Nothing serves it yet.',
          operations: [add('serving', newId(), { needId: need.id, pieceId: piece.id })],
        }))
    },
  },
} as const satisfies Readonly<Record<string, Remedies>>
