import type { Request, Response } from 'express'
import { readChangeSet, type ChangeSet } from '#core/makeover/change.ts'
import type { SignedIn } from '../accounts/accounts.ts'
import { withinKinds } from '../accounts/may.ts'
import { personBehind } from '../accounts/routes.ts'
import { notFound, Problem, refused } from '../problem.ts'
import type { Outcome } from './door.ts'

/** Answers a change set that came in: within the role of who sent it, taken by its door, or why not. */
export async function answerChange(
  request: Request,
  response: Response,
  take: (person: SignedIn, changeSet: ChangeSet) => Promise<Outcome>,
): Promise<void> {
  const person = personBehind(request)
  const read = readChangeSet(request.body)
  if (!read.ok) throw refused(read.faults)
  withinKinds(person, read.value.operations)
  const outcome = await take(person, read.value)
  if (outcome.is === 'not found') throw notFound()
  if (outcome.is === 'refused') throw refused(outcome.faults)
  if (outcome.is === 'conflict')
    throw new Problem(
      409,
      'conflict',
      'Changed meanwhile',
      'Someone changed the same thing after you last saw it. Nothing was overwritten: look at both, and keep one.',
      { conflicts: outcome.conflicts },
    )
  response.json({ rev: outcome.rev, repeated: outcome.repeated })
}
