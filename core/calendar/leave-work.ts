/** Leave that was asked of an owner for what a constraint forbids: until the answer is here, what needs it waits for it. */
import { forbiddenIn, wordsOfFinish } from '../brief/index.ts'
import { splitSeveral, type Forbiddable } from '../makeover/choices.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { daysBetween, type PlainDate } from '../measure/plain-date.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import type { TakeOff } from '../surfaces/index.ts'
import { made, type Made } from './made.ts'

const asWork: Readonly<Partial<Record<Forbiddable, string>>> = { remove: 'take things out', glue: 'glue' }

/** The tasks, with those that need leave waiting for its answer, and the answers that are waited for. */
export function withLeave(
  { makeover, takeOffs }: { readonly makeover: Makeover; readonly takeOffs: readonly TakeOff[] },
  tasks: readonly Made[],
  rules: Rules,
  today: PlainDate,
): Made[] {
  const waiting = rowsOf(makeover, 'room').flatMap(({ id: roomId }) =>
    forbiddenIn(makeover, roomId).flatMap(({ word, leave, permission }) =>
      leave === 'waiting' && permission ? [{ roomId, word, permission }] : [],
    ),
  )
  if (waiting.length === 0) return [...tasks]
  const finishOf = new Map(takeOffs.map(({ treatment, finish }) => [treatment.id, finish]))
  const wordsOf = (task: Made): Set<string> => {
    const pieces = task.pieceId === null ? task.uses : [...task.uses, task.pieceId]
    const methods = pieces.flatMap((id) => splitSeveral(chosenOf(makeover, id)?.methods ?? ''))
    const finish = finishOf.get(task.key.slice(task.key.indexOf(':') + 1))
    return new Set(finish ? [...methods, ...wordsOfFinish(finish, rules)] : methods)
  }
  const asked = new Map<string, Row<'permission'>>()
  const told = tasks.map((task): Made => {
    if (task.is === 'lead' || task.is === 'answer') return task
    const words = wordsOf(task)
    const needs = waiting.filter(({ roomId, word }) => roomId === task.roomId && words.has(word))
    for (const { permission } of needs) asked.set(permission.id, permission)
    const after = needs.map(({ permission }) => ({ key: keyOf(permission), waitHours: 0 }))
    return { ...task, after: [...task.after, ...after] }
  })
  return [...told, ...[...asked.values()].map((permission) => answerOf(permission, rules, today))]
}

const keyOf = ({ id }: Row<'permission'>): string => `leave:${id}`
const chosenOf = ({ rows }: Makeover, pieceId: string): Row<'candidate'> | undefined =>
  rows.candidate[rows.piece[pieceId]?.chosenId ?? '']

/** An owner who was asked long ago may still take as long as a client does. */
const answerOf = (permission: Row<'permission'>, rules: Rules, today: PlainDate): Made =>
  made({
    key: keyOf(permission),
    name: `Leave to ${asWork[permission.method] ?? permission.method}`,
    trade: 'owner',
    is: 'answer',
    amount: Math.max(
      rules['dates.client-answer'],
      rules['dates.owner-answer'] - daysBetween(permission.askedOn, today),
    ),
    because: `asked of ${permission.askedOf} on ${permission.askedOn}`,
  })
