/**
 * What waits on what: the critical path by the usual method, over hands that each do one task at a time. Moments and durations in minutes
 * (working-time.ts). Pure; a circle is named and refused.
 */
import type { WorkDays } from './working-time.ts'

export type NetTask = {
  readonly id: string
  /** Who does it; tasks of one hand come one after the other. Null for what needs nobody: a lead time, drying, an answer. */
  readonly hand: string | null
  readonly days: WorkDays
  /** Minutes of work on those days. */
  readonly work: number
  /** Not before this moment. */
  readonly from: number
  /** It begins at this moment, whatever comes before it; null where it begins when it can. */
  readonly pinned: number | null
  /** It is done: it took from and until then. */
  readonly done: { readonly start: number; readonly finish: number } | null
  readonly after: readonly Link[]
}
/** Not before so many minutes of any day have passed since the other is done: drying, curing. */
export type Link = { readonly id: string; readonly wait: number }

export type Placed = {
  readonly start: number
  readonly finish: number
  /** What it waits for: the one that ends last before it, or the one its hand does before; null for what begins when it likes. */
  readonly waitsFor: string | null
}
export type Late = { readonly start: number; readonly finish: number }
/** The order in which hands do what they have to: for each task those before it, the task of its hand among them. */
export type Ordered = { readonly order: readonly NetTask[]; readonly before: ReadonlyMap<string, readonly Link[]> }

/** The tasks of a circle, in their order round it; null where there is none. */
export function circleIn(tasks: readonly Pick<NetTask, 'id' | 'after'>[]): string[] | null {
  const known = new Map(tasks.map((task) => [task.id, task]))
  const state = new Map<string, 'open' | 'closed'>()
  for (const { id: root } of tasks) {
    if (state.has(root)) continue
    // a walk without recursion: chains may be thousands long
    const path: { id: string; next: number }[] = [{ id: root, next: 0 }]
    state.set(root, 'open')
    while (path.length > 0) {
      const top = path.at(-1) as { id: string; next: number }
      const link = known.get(top.id)?.after[top.next++]
      if (!link) {
        state.set(top.id, 'closed')
        path.pop()
      } else if (state.get(link.id) === 'open')
        return path
          .slice(path.findIndex(({ id }) => id === link.id))
          .map(({ id }) => id)
          .toReversed()
      else if (known.has(link.id) && !state.has(link.id)) {
        state.set(link.id, 'open')
        path.push({ id: link.id, next: 0 })
      }
    }
  }
  return null
}

/** As it goes with what each task waits for, and nothing else: how urgent each is, to tell whom a hand serves first. */
function urgencyOf(tasks: readonly NetTask[], order: readonly NetTask[]): ReadonlyMap<string, number> {
  const tail = new Map<string, number>(tasks.map(({ id }) => [id, 0]))
  for (const task of order.toReversed()) {
    const own = (tail.get(task.id) ?? 0) + task.work
    for (const { id, wait } of task.after) tail.set(id, Math.max(tail.get(id) ?? 0, own + wait))
  }
  return tail
}

/** So that each comes after all it waits for. Throws where tasks wait for one another in a circle. */
function inOrder(tasks: readonly NetTask[]): NetTask[] {
  const known = new Map(tasks.map((task) => [task.id, task]))
  const waits = new Map(tasks.map(({ id, after }) => [id, after.filter((link) => known.has(link.id)).length]))
  const next = new Map<string, string[]>()
  for (const { id, after } of tasks)
    for (const link of after) if (known.has(link.id)) next.set(link.id, [...(next.get(link.id) ?? []), id])
  const ready = tasks.filter(({ id }) => waits.get(id) === 0)
  for (let at = 0; at < ready.length; at++)
    for (const id of next.get(ready[at]?.id ?? '') ?? []) {
      const left = (waits.get(id) ?? 0) - 1
      waits.set(id, left)
      const task = known.get(id)
      if (left === 0 && task) ready.push(task)
    }
  if (ready.length < tasks.length)
    throw new RangeError('The work: expected no circle, found tasks that wait for one another')
  return ready
}

/** Moments, earliest first; a task begins when all before it are done, its hand is free and it may begin. */
const startOf = (task: NetTask, waits: number): number =>
  task.pinned !== null ? Math.max(task.pinned, waits) : task.days.earliest(Math.max(task.from, waits))

/**
 * Whom each hand serves first: what can begin first, of those that of which most hangs. From then on the order stands, so that the
 * critical path and the chances speak of the same work.
 */
export function ordered(tasks: readonly NetTask[]): Ordered {
  const sorted = inOrder(tasks)
  const urgency = urgencyOf(tasks, sorted)
  const place = new Map(sorted.map(({ id }, at) => [id, at]))
  const waiting = new Map(tasks.map(({ id, after }) => [id, after.filter((link) => place.has(link.id)).length]))
  const next = new Map<string, string[]>()
  for (const { id, after } of tasks)
    for (const link of after) if (place.has(link.id)) next.set(link.id, [...(next.get(link.id) ?? []), id])
  const finish = new Map<string, number>()
  const lastOf = new Map<string, NetTask>()
  const before = new Map<string, Link[]>()
  const order: NetTask[] = []
  const ready = new Set(sorted.filter(({ id }) => waiting.get(id) === 0))
  const known = new Map(tasks.map((task) => [task.id, task]))
  const ownLinks = (task: NetTask): readonly Link[] => task.after.filter((link) => place.has(link.id))
  const can = (task: NetTask): number => {
    if (task.done) return task.done.start
    const last = task.hand === null ? undefined : lastOf.get(task.hand)
    const links = last ? [...ownLinks(task), { id: last.id, wait: 0 }] : ownLinks(task)
    return startOf(task, Math.max(-Infinity, ...links.map(({ id, wait }) => (finish.get(id) ?? -Infinity) + wait)))
  }
  while (ready.size > 0) {
    let best: { task: NetTask; at: number } | null = null
    for (const task of ready) {
      const at = can(task)
      const isSooner =
        best === null ||
        at < best.at ||
        (at === best.at && (urgency.get(task.id) ?? 0) > (urgency.get(best.task.id) ?? 0))
      if (isSooner) best = { task, at }
    }
    if (!best) break
    const { task, at } = best
    ready.delete(task)
    const last = task.hand === null || task.done ? undefined : lastOf.get(task.hand)
    before.set(task.id, [...ownLinks(task), ...(last ? [{ id: last.id, wait: 0 }] : [])])
    if (task.hand !== null && !task.done) lastOf.set(task.hand, task)
    finish.set(task.id, task.done?.finish ?? task.days.finish(at, task.work))
    order.push(task)
    for (const id of next.get(task.id) ?? []) {
      const left = (waiting.get(id) ?? 0) - 1
      waiting.set(id, left)
      const follower = known.get(id)
      if (left === 0 && follower) ready.add(follower)
    }
  }
  return { order, before }
}

/** As early as it goes. `workOf`: how long each takes, where a run tries other durations. */
export function forward(
  { order, before }: Ordered,
  workOf: (task: NetTask) => number = ({ work }) => work,
): Map<string, Placed> {
  const placed = new Map<string, Placed>()
  for (const task of order) {
    if (task.done) {
      placed.set(task.id, { ...task.done, waitsFor: null })
      continue
    }
    let waits = -Infinity
    let waitsFor: string | null = null
    for (const { id, wait } of before.get(task.id) ?? []) {
      const until = (placed.get(id)?.finish ?? -Infinity) + wait
      if (until > waits) [waits, waitsFor] = [until, id]
    }
    const start = startOf(task, waits)
    const isFree = task.pinned === null && task.days.earliest(task.from) >= start
    placed.set(task.id, {
      start,
      finish: task.days.finish(start, workOf(task)),
      waitsFor: isFree || (task.pinned !== null && task.pinned > waits) ? null : waitsFor,
    })
  }
  return placed
}

/** As late as it may, for all to be done by the deadline; `by`: what has a deadline of its own. */
export function backward(
  { order, before }: Ordered,
  deadline: number,
  by: ReadonlyMap<string, number> = new Map(),
): Map<string, Late> {
  const latest = new Map<string, number>()
  const late = new Map<string, Late>()
  for (const task of order.toReversed()) {
    const finish = task.days.latest(Math.min(latest.get(task.id) ?? deadline, by.get(task.id) ?? Infinity))
    const start = task.days.start(finish, task.work)
    late.set(task.id, { start, finish })
    for (const { id, wait } of before.get(task.id) ?? [])
      latest.set(id, Math.min(latest.get(id) ?? Infinity, start - wait))
  }
  return late
}

/** What the last of it waits for, and what that waits for, back to the beginning: in the order of work. */
export function chainTo(placed: ReadonlyMap<string, Placed>, lastId: string): string[] {
  const chain: string[] = []
  for (let id: string | null = lastId; id !== null; id = placed.get(id)?.waitsFor ?? null) chain.push(id)
  return chain.toReversed()
}
/** What is done last. */
export function lastOf(placed: ReadonlyMap<string, Placed>): string | null {
  let last: { id: string; finish: number } | null = null
  for (const [id, { finish }] of placed) if (!last || finish > last.finish) last = { id, finish }
  return last?.id ?? null
}
