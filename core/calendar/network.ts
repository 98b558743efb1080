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
  const known = new Map(tasks.map((task) => [task.id, task]))
  const linksOf = new Map(tasks.map((task) => [task.id, task.after.filter((link) => place.has(link.id))]))
  /** When it could begin by what it waits for, found once all of that is placed. */
  const needs = new Map<string, number>()
  const ready = new Map<string, { task: NetTask; at: number }>()
  const offer = (task: NetTask): void => {
    const until = Math.max(
      -Infinity,
      ...(linksOf.get(task.id) ?? []).map(({ id, wait }) => (finish.get(id) ?? -Infinity) + wait),
    )
    needs.set(task.id, until)
    ready.set(task.id, { task, at: can(task) })
  }
  const can = (task: NetTask): number => {
    if (task.done) return task.done.start
    const last = task.hand === null ? undefined : lastOf.get(task.hand)
    const until = needs.get(task.id) ?? -Infinity
    return startOf(task, last ? Math.max(until, finish.get(last.id) ?? -Infinity) : until)
  }
  for (const task of sorted) if (waiting.get(task.id) === 0) offer(task)
  while (ready.size > 0) {
    let best: { task: NetTask; at: number } | null = null
    for (const offered of ready.values()) {
      const isSooner =
        best === null ||
        offered.at < best.at ||
        (offered.at === best.at && (urgency.get(offered.task.id) ?? 0) > (urgency.get(best.task.id) ?? 0))
      if (isSooner) best = offered
    }
    if (!best) break
    const { task, at } = best
    ready.delete(task.id)
    const last = task.hand === null || task.done ? undefined : lastOf.get(task.hand)
    before.set(task.id, [...(linksOf.get(task.id) ?? []), ...(last ? [{ id: last.id, wait: 0 }] : [])])
    finish.set(task.id, task.done?.finish ?? task.days.finish(at, task.work))
    order.push(task)
    if (task.hand !== null && !task.done) {
      lastOf.set(task.hand, task)
      // its hand is free later now: what else it could do begins later
      for (const offered of ready.values()) if (offered.task.hand === task.hand) offered.at = can(offered.task)
    }
    for (const id of next.get(task.id) ?? []) {
      const left = (waiting.get(id) ?? 0) - 1
      waiting.set(id, left)
      const follower = known.get(id)
      if (left === 0 && follower) offer(follower)
    }
  }
  return { order, before }
}

/** A network in its order as rows of numbers: what a run of thousands goes over. */
export type Compiled = {
  readonly tasks: readonly NetTask[]
  /** Of task `at` the links from `first[at]` up to `first[at + 1]`: which task, by its place, and how long after it. */
  readonly first: Int32Array
  readonly links: Int32Array
  readonly waits: Float64Array
  /** The first moment at which each may begin, by its hand alone. */
  readonly opens: Float64Array
}
/** A run: when each begins and ends, and which one it waits for; -1 for none. */
export type Run = { readonly start: Float64Array; readonly finish: Float64Array; readonly waitsFor: Int32Array }

export function compiled({ order, before }: Ordered): Compiled {
  const place = new Map(order.map(({ id }, at) => [id, at]))
  const all = order.map((task) => (task.done ? [] : (before.get(task.id) ?? [])))
  const first = new Int32Array(order.length + 1)
  for (const [at, links] of all.entries()) first[at + 1] = (first[at] ?? 0) + links.length
  const flat = all.flat()
  return {
    tasks: order,
    first,
    links: Int32Array.from(flat, ({ id }) => place.get(id) ?? 0),
    waits: Float64Array.from(flat, ({ wait }) => wait),
    opens: Float64Array.from(order, ({ days, from }) => days.earliest(from)),
  }
}
export const emptyRun = (count: number): Run => ({
  start: new Float64Array(count),
  finish: new Float64Array(count),
  waitsFor: new Int32Array(count),
})
/** As early as it goes, with so many minutes of work each, into `run`. */
export function runThrough({ tasks, first, links, waits, opens }: Compiled, work: Float64Array, run: Run): void {
  const { start, finish, waitsFor } = run
  for (let at = 0; at < tasks.length; at++) {
    const task = tasks[at] as NetTask
    if (task.done) {
      start[at] = task.done.start
      finish[at] = task.done.finish
      waitsFor[at] = -1
      continue
    }
    let until = -Infinity
    let by = -1
    for (let link = first[at] as number; link < (first[at + 1] as number); link++) {
      const moment = (finish[links[link] as number] as number) + (waits[link] as number)
      if (moment > until) {
        until = moment
        by = links[link] as number
      }
    }
    const { pinned, days } = task
    const open = opens[at] as number
    const begins = pinned !== null ? Math.max(pinned, until) : until > open ? days.earliest(until) : open
    start[at] = begins
    finish[at] = days.finish(begins, work[at] as number)
    waitsFor[at] = pinned !== null ? (pinned > until ? -1 : by) : open >= begins ? -1 : by
  }
}

/** As early as it goes. `workOf`: how long each takes, where another length is tried. */
export function forward(ordered: Ordered, workOf: (task: NetTask) => number = ({ work }) => work): Map<string, Placed> {
  const network = compiled(ordered)
  const run = emptyRun(network.tasks.length)
  runThrough(network, Float64Array.from(network.tasks, workOf), run)
  return new Map(
    network.tasks.map(({ id }, at) => [
      id,
      {
        start: run.start[at] ?? 0,
        finish: run.finish[at] ?? 0,
        waitsFor: network.tasks[run.waitsFor[at] ?? -1]?.id ?? null,
      },
    ]),
  )
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
