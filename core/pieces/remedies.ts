/** What cures remarks on pieces. */
import { belongingTo, byId } from '../makeover/by-id.ts'
import { add, edit } from '../makeover/change.ts'
import { headOf, rowsOf } from '../makeover/document.ts'
import { writeDate } from '../measure/plain-date.ts'
import type { Remedies } from '../remarks/remedy.ts'
import type { catalogue } from './catalogue.ts'
import type { PieceDates } from './dates.ts'

const larger = (may: number | null, takes: number | null): number | null =>
  may === null || takes === null ? may : Math.max(may, takes)

export const pieceRemedies = {
  'too-large': {
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
  'serves-nothing': {
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
  late: {
    words: 'Choose one that is here in time',
    find: (remark, makeover, { dates }: { readonly dates: readonly PieceDates[] }) =>
      remark.subjects.flatMap(({ id }) => {
        const piece = makeover.rows.piece[id]
        const date = byId(dates, id)
        const chosen = piece?.chosenId ? makeover.rows.candidate[piece.chosenId] : undefined
        if (!piece || !chosen || !date?.toOrder || date.slackDays === null) return []
        if (chosen.leadDays === null) return []
        const most = chosen.leadDays + date.slackDays
        const taken = chosen.leadDays
        return belongingTo(rowsOf(makeover, 'candidate'), 'pieceId', id)
          .flatMap((row) =>
            row.id !== chosen.id && row.turnedDown === null && row.leadDays !== null && row.leadDays <= most
              ? [{ row, leadDays: row.leadDays }]
              : [],
          )
          .toSorted((left, right) => right.leadDays - left.leadDays)
          .map(({ row, leadDays }) => ({
            title: `Chose “${row.name}” for ${piece.name}, which is here in time`,
            detail: `${leadDays} days instead of ${taken}.`,
            operations: [edit('piece', piece, { chosenId: row.id, chosenReason: 'It is here in time' })],
          }))
      }),
  },
  'placeholder-undated': {
    words: 'Look again on the install date',
    find: (remark, makeover) =>
      remark.subjects.flatMap(({ id }) => {
        const piece = makeover.rows.piece[id]
        const chosen = piece?.chosenId ? makeover.rows.candidate[piece.chosenId] : undefined
        const on = headOf(makeover)?.installOn
        return piece && chosen && on
          ? [
              {
                title: `Look at ${piece.name} again on ${writeDate(on)}`,
                detail: 'On that day it is asked for.',
                operations: [edit('candidate', chosen, { lookAgainOn: on })],
              },
            ]
          : []
      }),
  },
  'keepsake-replaced': {
    words: 'Choose the keepsake',
    find: (remark, makeover) =>
      remark.subjects.flatMap(({ id }) => {
        const piece = makeover.rows.piece[id]
        const keepsake = belongingTo(rowsOf(makeover, 'candidate'), 'pieceId', id).find(
          (row) => row.keepReason === 'sentimental' && row.turnedDown === null,
        )
        return piece && keepsake
          ? [
              {
                title: `Chose “${keepsake.name}” for ${piece.name}`,
                detail: 'It is kept for its own sake.',
                operations: [edit('piece', piece, { chosenId: keepsake.id, chosenReason: 'Kept for its own sake' })],
              },
            ]
          : []
      }),
  },
} as const satisfies Partial<Record<keyof typeof catalogue, Remedies>>
