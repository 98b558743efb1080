/** All the work of a makeover: of its rooms, of what has to be decided, ordered, awaited and made, and what somebody added or said. */
import { groupBy, rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import type { Money } from '../purchases/index.ts'
import type { Practice } from '../makeover/practice.ts'
import { daysBetween, type PlainDate } from '../measure/plain-date.ts'
import type { TakeOff } from '../surfaces/index.ts'
import { putOff } from '../makeover/put-off.ts'
import { wayKey } from '../makeover/said-arrivals.ts'
import { made, type Made } from './made.ts'
import { withLeave } from './leave-work.ts'
import { roomWork } from './room-work.ts'

export type WorkAsked = {
  readonly makeover: Makeover
  readonly floorM2: (roomId: string) => number
  readonly takeOffs: readonly TakeOff[]
  readonly money: Money
  readonly practice: Practice
  readonly today: PlainDate
}
/** What is on its way: since when, and when it is looked for. */
export type OnItsWay = { readonly orderedOn: PlainDate; readonly arrivesOn: PlainDate | null }
export type MakeoverWork = {
  readonly tasks: readonly Made[]
  readonly onItsWay: ReadonlyMap<string, OnItsWay>
}

/** Where nobody said how large a room is, it is taken as an ordinary one: 15 m². */
export const ordinaryM2 = 15

export function makeoverWork({ makeover, floorM2, takeOffs, money, practice, today }: WorkAsked): MakeoverWork {
  const { rules, schools } = practice
  const deferred = putOff(makeover)
  const piecesOf = groupBy(
    rowsOf(makeover, 'piece').filter(({ id }) => !deferred.has(id)),
    ({ roomId }) => roomId,
  )
  const rooms = rowsOf(makeover, 'room').flatMap((room) =>
    roomWork({
      makeover,
      room,
      floorM2: floorM2(room.id),
      takeOffs: takeOffs.filter(({ finish }) => finish.roomId === room.id),
      pieces: piecesOf.get(room.id) ?? [],
      rules,
      schools,
    }),
  )
  const onItsWay = new Map<string, OnItsWay>()
  for (const { pieceId, awaited, orderedOn, arrivesOn } of money.purchases) {
    if (awaited <= 0) continue
    const known = onItsWay.get(pieceId)
    const later = known?.arrivesOn && arrivesOn && known.arrivesOn > arrivesOn ? known.arrivesOn : arrivesOn
    onItsWay.set(pieceId, {
      orderedOn: known && known.orderedOn < orderedOn ? known.orderedOn : orderedOn,
      arrivesOn: later ?? known?.arrivesOn ?? null,
    })
  }
  const goods = money.pieces.flatMap(({ id, open }) => {
    const piece = makeover.rows.piece[id]
    if (!piece || deferred.has(id)) return []
    return goodsWork(makeover, piece, open, onItsWay.get(id) ?? null, practice, today)
  })
  const comes = new Map(goods.filter(({ is }) => is === 'lead').map((task) => [task.pieceId ?? '', task.key]))
  const makes = new Map([
    ...goods.filter(({ is }) => is === 'work').map((task) => [task.pieceId ?? '', task.key] as const),
    // what is done to a piece is done before it is carried in
    ...ownOf(makeover).flatMap(({ pieceId, id }) => (pieceId === null ? [] : [[pieceId, id] as const])),
  ])
  const waits = (task: Made): Made => {
    const boards = task.key.startsWith('put:') && task.trade === 'floor layer'
    const goodsOf = task.uses.flatMap((pieceId) => {
      const key = makes.get(pieceId) ?? comes.get(pieceId)
      return key === undefined ? [] : [{ key, waitHours: boards ? rules['dry.acclimatise'] : 0 }]
    })
    return goodsOf.length > 0 ? { ...task, after: [...task.after, ...goodsOf] } : task
  }
  const all = withLeave({ makeover, takeOffs }, [...rooms.map(waits), ...goods], rules, today)
  return { tasks: said(makeover, all), onItsWay }
}

/** What a piece asks for before it is here: an answer, an order, its time on the way, and the making of it. */
function goodsWork(
  makeover: Makeover,
  piece: Row<'piece'>,
  open: number,
  way: OnItsWay | null,
  { rules }: Practice,
  today: PlainDate,
): Made[] {
  const chosen = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
  const running = rowsOf(makeover, 'candidate').filter(
    (candidate) => candidate.pieceId === piece.id && candidate.turnedDown === null,
  )
  const { id: pieceId, name, roomId } = piece
  const about = { pieceId, roomId }
  const tasks: Made[] = []
  if (way) {
    const days = way.arrivesOn === null ? 0 : Math.max(0, daysBetween(way.orderedOn, later(way.arrivesOn, today)))
    if (way.arrivesOn !== null)
      tasks.push(made({ key: wayKey(pieceId), name, trade: 'seller', is: 'lead', amount: days, ...about }))
  } else if (open > 0 && chosen?.source !== 'made') {
    const days = running.flatMap(({ leadDays }) => leadDays ?? [])
    const lead = chosen ? chosen.leadDays : days.length > 0 ? Math.min(...days) : null
    if (lead === null) return []
    const asked = rowsOf(makeover, 'question').find((row) => row.pieceId === pieceId && row.answer === 'waiting')
    const waits = !chosen || asked !== undefined
    const answer = `answer:${pieceId}`
    if (waits)
      tasks.push(
        made({
          key: answer,
          name: `Says yes to ${name}`,
          trade: 'client',
          is: 'answer',
          amount: rules['dates.client-answer'],
          because: asked ? `asked on ${asked.askedOn}` : 'nothing is chosen',
          ...about,
        }),
      )
    const order = made({ key: `order:${pieceId}`, name: `Order ${name}`, trade: 'studio', is: 'order', ...about })
    tasks.push({ ...order, after: waits ? [{ key: answer, waitHours: 0 }] : [] })
    tasks.push(
      made({
        key: wayKey(pieceId),
        name,
        trade: 'seller',
        is: 'lead',
        amount: lead,
        after: [{ key: order.key, waitHours: 0 }],
        ...about,
      }),
    )
  }
  if (chosen?.source === 'made' && chosen.hours > 0)
    tasks.push(
      made({
        key: `make:${pieceId}`,
        name: `Make ${name}`,
        trade: 'workroom',
        amount: chosen.hours,
        after: tasks.some(({ is }) => is === 'lead') ? [{ key: wayKey(pieceId), waitHours: 0 }] : [],
        because: 'its hours',
        ...about,
      }),
    )
  return tasks
}
const later = (date: PlainDate, today: PlainDate): PlainDate => (date < today ? today : date)

/** With what was said: one's own tasks, what is left out, who does it, and what waits for what besides. */
function said(makeover: Makeover, tasks: readonly Made[]): Made[] {
  const rows = rowsOf(makeover, 'task')
  const links = groupBy(rowsOf(makeover, 'taskLink'), ({ taskKey }) => taskKey)
  const byKey = new Map(rows.filter(({ key }) => key !== '').map((row) => [row.key, row]))
  const rowOf = new Map(rows.map((row) => [row.id, row]))
  const own = rows.filter(({ key }) => key === '').map((row) => ({ ...ownTask(row), after: goodsBefore(tasks, row) }))
  const left = new Set(rows.filter(({ leftOut }) => leftOut).map((row) => (row.key === '' ? row.id : row.key)))
  const all = [...tasks, ...own]
  const before = new Map(all.map((task) => [task.key, task.after]))
  // what is left out hands on what it waits for
  const past = (after: Made['after'], seen: ReadonlySet<string> = new Set()): Made['after'] =>
    after.flatMap((link) =>
      left.has(link.key) && !seen.has(link.key)
        ? past(before.get(link.key) ?? [], new Set([...seen, link.key]))
        : [link],
    )
  return all
    .filter(({ key }) => !left.has(key))
    .flatMap((task): Made[] => {
      const row = byKey.get(task.key)
      const more = (links.get(task.key) ?? []).map(({ afterKey, waitDays }) => ({
        key: afterKey,
        waitHours: 24 * waitDays,
      }))
      const told = {
        ...task,
        ...(row && row.name !== '' ? { name: row.name } : {}),
        ...(row && task.is === 'work' ? { trade: row.trade } : {}),
        after: past([...task.after, ...more]),
      }
      return inParts(told, row?.parts ?? rowOf.get(task.key)?.parts ?? 1)
    })
}

/** A task in parts, one after the other: the last has its key, so that what waits for it waits for all of it. */
function inParts(task: Made, count: number): Made[] {
  if (count < 2 || task.is !== 'work') return [task]
  return Array.from({ length: count }, (_, at): Made => {
    const number = at + 1
    return {
      ...task,
      key: number === count ? task.key : `${task.key}/${number}`,
      name: `${task.name}, part ${number} of ${count}`,
      after: at === 0 ? task.after : [{ key: `${task.key}/${at}`, waitHours: 0 }],
      uses: at === 0 ? task.uses : [],
      amount: task.amount / count,
      part: { key: task.key, number, count },
    }
  })
}

const ownOf = (makeover: Makeover) => rowsOf(makeover, 'task').filter(({ key, leftOut }) => key === '' && !leftOut)
/** A task of somebody's own: a day of work until its days are said. */
const ownTask = ({ id, name, trade, roomId, pieceId }: Row<'task'>): Made =>
  made({ key: id, name, trade, roomId, pieceId, amount: 8 })
/** What is done to a piece waits for the piece to be here, where it is still to come. */
function goodsBefore(tasks: readonly Made[], { pieceId }: Row<'task'>): Made['after'] {
  const way = tasks.find((task) => pieceId !== null && task.is === 'lead' && task.pieceId === pieceId)
  return way ? [{ key: way.key, waitHours: 0 }] : []
}
