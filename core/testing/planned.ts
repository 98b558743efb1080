/** A room with work and goods in its calendar, for tests. Monday 1 March 2027 is today, the install day Friday 26 March. */
import { add, edit, type Operation } from '../makeover/change.ts'
import { blank } from '../makeover/blank.ts'
import type { Fields } from '../makeover/kinds.ts'
import { plainDate } from '../measure/plain-date.ts'
import { reckon } from '../reckoning/reckon.ts'
import { candidateOf, change, orderOf, pieceOf, testToday } from './small-makeover.ts'
import { plain, room } from './treated.ts'

export const installOn = plainDate('2027-03-26')

export type Good = {
  readonly name: string
  readonly thing?: Fields<'piece'>['thing']
  readonly leadDays?: number | null
  readonly chosen?: boolean
  readonly ordered?: boolean
  readonly candidate?: Partial<Fields<'candidate'>>
}
/** A measured room of 5 by 3 m, 2.5 m high: 40 m² of wall, 15 m² of floor. */
export function plannedRoom(on: string = installOn) {
  const world = room(plain)
  const { documents, newId, roomId } = world
  const head = Object.values(documents.makeover.rows.makeover)[0]
  if (!head) throw new Error('the makeover has begun')
  const category = Object.keys(documents.makeover.rows.category)[0] ?? ''
  const seller = Object.keys(documents.studio.rows.seller)[0] ?? ''
  const good = ({ name, thing = 'seat', leadDays = 10, chosen = true, ordered = false, candidate = {} }: Good) => {
    const [piece, offer, order] = [newId(), newId(), newId()]
    const fields = candidateOf(piece, seller, { name, leadDays, ...candidate })
    const operations: Operation[] = [
      add('piece', piece, pieceOf(roomId, category, { name, thing, chosenId: chosen ? offer : null })),
      add('candidate', offer, fields),
      ...(ordered ? orderOf(order, offer, fields, 1, { orderedOn: testToday }) : []),
    ]
    return { piece, candidate: offer, order, operations }
  }
  const task = (fields: Partial<Fields<'task'>>): Operation => add('task', newId(), { ...blank.task, ...fields })
  const start = change(documents, [edit('makeover', head, { installOn: plainDate(on) })])
  const after = (...operations: readonly (Operation | readonly Operation[])[]) => {
    const changed = change(start, operations)
    const reckoning = reckon(changed, testToday)
    const named = (name: RegExp) => {
      const found = reckoning.schedule.tasks.find((task) => name.test(task.name))
      if (!found) throw new Error(`${name}: ${reckoning.schedule.tasks.map((task) => task.name).join('; ')}`)
      return found
    }
    const codes = reckoning.remarks
      .filter(({ step }) => step === 'calendar')
      .map(({ code, weight }) => `${code.slice('calendar.'.length)} ${weight}`)
    return { ...reckoning, documents: changed, named, codes }
  }
  return { ...world, good, task, start, after }
}
