/** What gives cause to say something of the client's answers and of the reveal. */
import { headOf, rowsOf, type Makeover } from '../makeover/document.ts'
import { addDays, type PlainDate } from '../measure/plain-date.ts'
import { thingOf } from '../makeover/thing-names.ts'
import type { Practice } from '../makeover/practice.ts'
import type { Remark } from '../remarks/remark.ts'
import { remark } from './catalogue.ts'
import { closedNow } from './closing.ts'
import { repliesByThing } from './replies.ts'

export const revealRemarks = (makeover: Makeover, practice: Practice, today: PlainDate): Remark[] => [
  ...answers(makeover),
  ...before(makeover, today),
  ...after(makeover, today),
  ...plants(makeover, practice, today),
]

function answers(makeover: Makeover): Remark[] {
  const nameOf = (id: string): string => makeover.rows.client[id]?.name ?? ''
  return repliesByThing(makeover).flatMap(({ pieceId, last, disagree }): Remark[] => {
    const name = pieceId === null ? 'the version that was sent' : (makeover.rows.piece[pieceId]?.name ?? '')
    const subjects =
      pieceId === null
        ? last.map(({ reply }) => ({ kind: 'reply' as const, id: reply.id }))
        : [{ kind: 'piece' as const, id: pieceId }]
    if (disagree)
      return [
        remark({
          code: 'disagree',
          subjects,
          title: `${name}: two answers that differ`,
          sentence: `${last
            .filter(({ isOld }) => !isOld)
            .map(({ reply }) => `${nameOf(reply.clientId)} ${reply.says === 'yes' ? 'says yes' : 'wants another'}`)
            .join(', ')}. Bring them to one answer before it is ordered.`,
          numbers: last.map(({ reply }) => reply.id),
        }),
      ]
    const old = last.filter(({ reply, isOld }) => isOld && reply.says === 'yes')
    return old.length > 0 && last.every(({ isOld }) => isOld)
      ? [
          remark({
            code: 'asks-again',
            subjects,
            title: `${name}: the yes was to something else`,
            sentence:
              'What is chosen has changed since. Ask again before it is ordered, or say that it follows the plan.',
            numbers: old.map(({ reply }) => reply.id),
          }),
        ]
      : []
  })
}

/** While there is still time: what is cleared and painted cannot be photographed as it was. Two days before work that is set to a day. */
function before(makeover: Makeover, today: PlainDate): Remark[] {
  const pictures = rowsOf(makeover, 'attachment')
  return rowsOf(makeover, 'room').flatMap((room) => {
    const begun = rowsOf(makeover, 'task').filter(
      ({ doneOn, pinnedOn, roomId, key }) =>
        (roomId === room.id || key.endsWith(room.id)) &&
        !key.startsWith('lead:') &&
        (doneOn !== null || (pinnedOn !== null && pinnedOn <= addDays(today, 2))),
    )
    const views = new Set(rowsOf(makeover, 'view').flatMap((view) => (view.roomId === room.id ? [view.id] : [])))
    const has = pictures.some(
      ({ roomId, viewId, moment }) =>
        roomId === room.id || (moment === 'before' && viewId !== null && views.has(viewId)),
    )
    if (begun.length === 0 || has) return []
    return [
      remark({
        code: 'no-before',
        subjects: [{ kind: 'room', id: room.id }],
        title: `${room.name}: work ${begun.some(({ doneOn }) => doneOn !== null) ? 'has begun' : 'begins'}, and there is no picture of how it was`,
        sentence:
          'Photograph each wall from its door or corner now, as far as it still stands: the pictures after are taken from the same spots.',
        numbers: [begun.length],
      }),
    ]
  })
}

function after(makeover: Makeover, today: PlainDate): Remark[] {
  const installOn = headOf(makeover)?.installOn ?? null
  if (installOn === null || today < installOn || closedNow(makeover)) return []
  const head = rowsOf(makeover, 'makeover').map(({ id }) => ({ kind: 'makeover' as const, id }))
  const pictures = rowsOf(makeover, 'attachment')
  const taken = (viewId: string, moment: 'before' | 'after'): boolean =>
    pictures.some((picture) => picture.viewId === viewId && picture.moment === moment)
  const views = rowsOf(makeover, 'view').filter(({ id }) => taken(id, 'before') && !taken(id, 'after'))
  const ticks = new Map(rowsOf(makeover, 'tick').map((tick) => [tick.needId, tick]))
  const needs = rowsOf(makeover, 'need').filter(({ struckOn }) => struckOn === null)
  const open = needs.filter(({ id }) => !ticks.has(id))
  return [
    ...(views.length > 0
      ? [
          remark({
            code: 'no-after',
            subjects: views.map(({ id }) => ({ kind: 'view', id })),
            title: `${views.length === 1 ? `${views[0]?.name ?? ''} has` : `${views.length} views have`} a picture before and none after`,
            sentence: 'Take it from the same spot, at the same height, by the same light.',
            numbers: [views.length],
          }),
        ]
      : []),
    ...(open.length > 0 && ticks.size > 0
      ? [
          remark({
            code: 'unticked',
            subjects: head,
            title: `${open.length} of ${needs.length} needs are not held against what is there`,
            sentence: `${open.map(({ name }) => name).join(', ')}: tick them, or say what is missing.`,
            numbers: [open.length],
          }),
        ]
      : []),
    ...needs
      .filter(({ id }) => ticks.get(id)?.state === 'stands in')
      .map((need) =>
        remark({
          code: 'stands-in',
          subjects: [{ kind: 'need', id: need.id }],
          title: `${need.name}: covered only by what stands in`,
          sentence:
            `${ticks.get(need.id)?.note ?? ''} Say when it is looked at again, or put it into the second phase.`.trim(),
          numbers: [need.id],
        }),
      ),
  ]
}

/** Only who chose how plants are kept is asked; faux ones want nothing. */
function plants(makeover: Makeover, { schools, chosen }: Practice, today: PlainDate): Remark[] {
  const installOn = headOf(makeover)?.installOn ?? null
  const isMoved = schools.plants === 'moved'
  if (!chosen.includes('plants') || schools.plants === 'faux' || installOn === null || today < installOn) return []
  const cared = rowsOf(makeover, 'reminder').filter(
    ({ what, storedAt }) => what === 'plant' && (!isMoved || storedAt !== ''),
  )
  const open = rowsOf(makeover, 'piece').filter(
    (piece) =>
      thingOf(piece) === 'plant' && piece.chosenId !== null && !cared.some(({ pieceId }) => pieceId === piece.id),
  )
  if (open.length === 0) return []
  const names = open.map(({ name }) => name).join(', ')
  return [
    remark({
      code: 'plant-care',
      subjects: open.map(({ id }) => ({ kind: 'piece', id })),
      title: isMoved ? `${names}: nobody said where it winters` : `${names}: no care by month`,
      sentence: isMoved
        ? 'Note under “Later” when it goes in and out, and where it is kept meanwhile.'
        : 'Note under “Later” what it wants and when: a plant that nobody thinks of is gone by spring.',
      numbers: [open.length],
    }),
  ]
}
