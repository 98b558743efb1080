import { fault, type Fault } from '../makeover/change.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import { circleIn } from './network.ts'

/** A range is in order, days away end after they begin, a hand works on some day, a key is said of once, and links make no circle. */
export function calendarGuards(makeover: Makeover): Fault[] {
  const faults: Fault[] = []
  const keys = new Set<string>()
  for (const { id, key, name, leastDays, likelyDays, mostDays } of rowsOf(makeover, 'task')) {
    const given = [leastDays, likelyDays, mostDays].flatMap((value) => value ?? [])
    if (given.some((value, at) => at > 0 && value < (given[at - 1] ?? 0)))
      faults.push(fault('range', 'task', id, 'mostDays', `expected least ≤ likely ≤ most, got ${given.join(', ')}`))
    if (likelyDays === null && (leastDays !== null || mostDays !== null))
      faults.push(fault('range', 'task', id, 'likelyDays', 'is missing: a range has a likely value between its ends'))
    if (key === '' && name.trim() === '')
      faults.push(fault('name', 'task', id, 'name', 'is missing: expected what is done'))
    if (key !== '' && keys.has(key))
      faults.push(fault('once', 'task', id, 'key', 'something is said of this task already'))
    keys.add(key)
  }
  for (const { id, fromOn, untilOn } of rowsOf(makeover, 'absence'))
    if (untilOn < fromOn)
      faults.push(
        fault('order', 'absence', id, 'untilOn', 'lies before the first day: expected that day or a later one'),
      )
  for (const { id, daysWorked } of rowsOf(makeover, 'hand'))
    if (daysWorked === '')
      faults.push(fault('days', 'hand', id, 'daysWorked', 'is empty: expected at least one day of the week'))
  for (const { id, leadDays, leadLeastDays, leadMostDays } of rowsOf(makeover, 'candidate')) {
    if (leadLeastDays !== null && leadDays !== null && leadLeastDays > leadDays)
      faults.push(fault('range', 'candidate', id, 'leadLeastDays', `expected at most the likely ${leadDays} days`))
    if (leadMostDays !== null && leadDays !== null && leadMostDays < leadDays)
      faults.push(fault('range', 'candidate', id, 'leadMostDays', `expected at least the likely ${leadDays} days`))
  }
  const links = rowsOf(makeover, 'taskLink')
  const linked = [...new Set(links.flatMap(({ taskKey, afterKey }) => [taskKey, afterKey]))].map((id) => ({
    id,
    after: links.filter(({ taskKey }) => taskKey === id).map(({ afterKey }) => ({ id: afterKey, wait: 0 })),
  }))
  const circle = circleIn(linked)
  const [link] = links.filter(({ taskKey }) => circle?.includes(taskKey))
  if (circle && link)
    faults.push(
      fault('circle', 'taskLink', link.id, 'afterKey', `these would wait for one another: ${circle.length} tasks`),
    )
  return faults
}
