/**
 * Several works as one: in a row, a stack, a grid, mirrored about a middle, low-high-low, or as a salon about its centre. Each way gives the
 * middles about the middle of the whole; along to the right, up upwards. Lengths in mm.
 */
export const groupWays = ['row', 'stack', 'grid', 'mirrored', 'low-high-low', 'salon'] as const
export type GroupWay = (typeof groupWays)[number]
export type Member = { readonly id: string; readonly widthMm: number; readonly heightMm: number }
export type MemberPlace = { readonly id: string; readonly x: number; readonly y: number }
export type Grouped = {
  readonly places: readonly MemberPlace[]
  readonly widthMm: number
  readonly heightMm: number
  /** How far the weight of the works, by their area, lies off the middle of the whole. */
  readonly offMm: number
  /** Those that have no twin, where every work but the middle one wants one. */
  readonly odd: readonly string[]
}
export type GroupAsked = {
  readonly way: GroupWay
  readonly gapMm: number
  /** How much lower each pair hangs than the next inward; of low-high-low and of mirrored sets. */
  readonly stepMm: number
  /** How many stand side by side in a grid; null for as square as it goes. */
  readonly columns: number | null
}

export function grouped(members: readonly Member[], asked: GroupAsked): Grouped {
  const { gapMm } = asked
  switch (asked.way) {
    case 'row':
      return whole(members, inRow(members, gapMm))
    case 'stack':
      return whole(members, inStack(members, gapMm))
    case 'grid':
      return whole(members, inGrid(members, gapMm, asked.columns ?? Math.ceil(Math.sqrt(members.length))))
    case 'mirrored':
      return mirrored(members, gapMm, asked.stepMm)
    case 'low-high-low':
      return whole(members, stepped(outwards(members), gapMm, asked.stepMm))
    case 'salon':
      return whole(members, salon(members, gapMm))
  }
}

/** The middle of the whole becomes the origin. */
function whole(members: readonly Member[], places: readonly MemberPlace[], odd: readonly string[] = []): Grouped {
  const sizes = new Map(members.map((member) => [member.id, member]))
  const boxes = places.flatMap(({ id, x, y }) => {
    const size = sizes.get(id)
    return size ? [boxOf(size, x, y)] : []
  })
  if (boxes.length === 0) return { places: [], widthMm: 0, heightMm: 0, offMm: 0, odd }
  const [left, right] = [Math.min(...boxes.map((box) => box.left)), Math.max(...boxes.map((box) => box.right))]
  const [low, top] = [Math.min(...boxes.map((box) => box.low)), Math.max(...boxes.map((box) => box.top))]
  const [cx, cy] = [(left + right) / 2, (low + top) / 2]
  const area = boxes.reduce((sum, box) => sum + areaOf(box), 0)
  const moment = (ofBox: (box: Box) => number): number =>
    boxes.reduce((sum, box) => sum + areaOf(box) * ofBox(box), 0) / area
  return {
    places: places.map(({ id, x, y }) => ({ id, x: x - cx, y: y - cy })),
    widthMm: right - left,
    heightMm: top - low,
    offMm: Math.hypot(moment((box) => (box.left + box.right) / 2) - cx, moment((box) => (box.low + box.top) / 2) - cy),
    odd,
  }
}

type Box = { readonly left: number; readonly right: number; readonly low: number; readonly top: number }
const boxOf = ({ widthMm, heightMm }: Member, x: number, y: number): Box => ({
  left: x - widthMm / 2,
  right: x + widthMm / 2,
  low: y - heightMm / 2,
  top: y + heightMm / 2,
})
const areaOf = ({ left, right, low, top }: Box): number => (right - left) * (top - low)

/** Middles on one line, gaps equal. */
function inRow(members: readonly Member[], gapMm: number): MemberPlace[] {
  let x = 0
  return members.map(({ id, widthMm }) => {
    const at = x + widthMm / 2
    x += widthMm + gapMm
    return { id, x: at, y: 0 }
  })
}
/** The first below: a stack grows upwards. */
function inStack(members: readonly Member[], gapMm: number): MemberPlace[] {
  let y = 0
  return members.map(({ id, heightMm }) => {
    const at = y + heightMm / 2
    y += heightMm + gapMm
    return { id, x: 0, y: at }
  })
}
/** Each row as high as its highest, each column as wide as its widest, works in the middle of their fields; read from the upper left. */
function inGrid(members: readonly Member[], gapMm: number, columns: number): MemberPlace[] {
  const across = Math.max(1, Math.min(columns, members.length))
  const rows = Math.ceil(members.length / across)
  const largest = (own: readonly number[]): number => Math.max(0, ...own)
  const wide = Array.from({ length: across }, (_, column) =>
    largest(members.filter((_member, at) => at % across === column).map(({ widthMm }) => widthMm)),
  )
  const high = Array.from({ length: rows }, (_, row) =>
    largest(members.filter((_member, at) => Math.floor(at / across) === row).map(({ heightMm }) => heightMm)),
  )
  const start = (sizes: readonly number[], to: number): number =>
    sizes.slice(0, to).reduce((sum, size) => sum + size + gapMm, 0)
  return members.map(({ id }, at) => {
    const [row, column] = [Math.floor(at / across), at % across]
    return {
      id,
      x: start(wide, column) + (wide[column] ?? 0) / 2,
      y: -(start(high, row) + (high[row] ?? 0) / 2),
    }
  })
}

/** Two works so alike in size are twins. */
const twinMm = 0.5
/** Twins to the left and right of a middle, each pair so much lower than the next inward. What has no twin is left out and told. */
function mirrored(members: readonly Member[], gapMm: number, stepMm: number): Grouped {
  const left = [...members].toSorted(
    (first, second) => second.widthMm * second.heightMm - first.widthMm * first.heightMm,
  )
  const pairs: [Member, Member][] = []
  const single: Member[] = []
  while (left.length > 0) {
    const member = left.shift()
    if (!member) break
    const at = left.findIndex(
      (twin) =>
        Math.abs(twin.widthMm - member.widthMm) <= twinMm && Math.abs(twin.heightMm - member.heightMm) <= twinMm,
    )
    const twin = at < 0 ? undefined : left.splice(at, 1)[0]
    if (twin) pairs.push([member, twin])
    else single.push(member)
  }
  const [middle, ...odd] = single
  const order = pairs.reduce<Member[]>((row, [first, second]) => [first, ...row, second], middle ? [middle] : [])
  const places = stepped(order, gapMm, stepMm)
  return whole(
    members,
    places,
    odd.map(({ id }) => id),
  )
}

/** The largest in the middle, the others by turns to its left and right, the smallest outermost. */
function outwards(members: readonly Member[]): Member[] {
  const sorted = members.toSorted((first, second) => second.heightMm - first.heightMm || second.widthMm - first.widthMm)
  return sorted.reduce<Member[]>((row, member, at) => (at % 2 === 1 ? [member, ...row] : [...row, member]), [])
}
/** In a row, the middle highest and each further out so much lower. */
function stepped(order: readonly Member[], gapMm: number, stepMm: number): MemberPlace[] {
  const middle = (order.length - 1) / 2
  return inRow(order, gapMm).map((place, at) => ({ ...place, y: -stepMm * Math.floor(Math.abs(at - middle) + 1e-9) }))
}

/**
 * A salon: the largest first, each next laid against those that hang, a gap off, where the whole stays most in balance about its middle and
 * nearest to a rectangle a little wider than high. The same works always give the same salon.
 */
function salon(members: readonly Member[], gapMm: number): MemberPlace[] {
  const sorted = members.toSorted(
    (first, second) =>
      second.widthMm * second.heightMm - first.widthMm * first.heightMm || (first.id < second.id ? -1 : 1),
  )
  const put: { member: Member; x: number; y: number; box: Box }[] = []
  for (const member of sorted) {
    let best: { x: number; y: number; worth: number } | null = null
    for (const { x, y } of put.length === 0 ? [{ x: 0, y: 0 }] : against(member, put, gapMm)) {
      const box = boxOf(member, x, y)
      if (put.some((there) => isNearer(box, there.box, gapMm - 1e-6))) continue
      const worth = unrest([...put.map((there) => there.box), box])
      if (best === null || worth < best.worth - 1e-9) best = { x, y, worth }
    }
    if (best) put.push({ member, x: best.x, y: best.y, box: boxOf(member, best.x, best.y) })
  }
  return put.map(({ member, x, y }) => ({ id: member.id, x, y }))
}
const isNearer = (first: Box, second: Box, gapMm: number): boolean =>
  Math.min(first.right, second.right) - Math.max(first.left, second.left) > -gapMm &&
  Math.min(first.top, second.top) - Math.max(first.low, second.low) > -gapMm
/** Against each side of each that hangs: edges or middles in line. */
function against(
  { widthMm, heightMm }: Member,
  put: readonly { readonly box: Box }[],
  gapMm: number,
): { x: number; y: number }[] {
  const [w, h] = [widthMm / 2, heightMm / 2]
  return put.flatMap(({ box: { left, right, low, top } }) => {
    const ys = [top - h, (low + top) / 2, low + h, (low + top) / 2 + h + gapMm / 2, (low + top) / 2 - h - gapMm / 2]
    const xs = [
      left + w,
      (left + right) / 2,
      right - w,
      (left + right) / 2 + w + gapMm / 2,
      (left + right) / 2 - w - gapMm / 2,
    ]
    return [
      ...ys.flatMap((y) => [
        { x: right + gapMm + w, y },
        { x: left - gapMm - w, y },
      ]),
      ...xs.flatMap((x) => [
        { x, y: top + gapMm + h },
        { x, y: low - gapMm - h },
      ]),
    ]
  })
}
/** A salon is a little wider than high; common practice. */
const widerBy = 1.4
/** How much a group wants to be otherwise: what is bare within its outline, how far its weight is off its middle, how far it is from its shape. */
function unrest(boxes: readonly Box[]): number {
  const [left, right] = [Math.min(...boxes.map((box) => box.left)), Math.max(...boxes.map((box) => box.right))]
  const [low, top] = [Math.min(...boxes.map((box) => box.low)), Math.max(...boxes.map((box) => box.top))]
  const [wide, high] = [right - left, top - low]
  const filled = boxes.reduce((sum, box) => sum + areaOf(box), 0)
  const x = boxes.reduce((sum, box) => sum + areaOf(box) * (box.left + box.right), 0) / (2 * filled)
  const y = boxes.reduce((sum, box) => sum + areaOf(box) * (box.low + box.top), 0) / (2 * filled)
  const off = Math.abs(x - (left + right) / 2) / wide + Math.abs(y - (low + top) / 2) / high
  return 1 - filled / (wide * high) + 2 * off + 0.5 * Math.abs(Math.log(wide / high / widerBy))
}

/**
 * What of some works hangs best over a piece of furniture so wide: those that side by side come nearest to the middle of what is wanted,
 * between two thirds and three quarters of it. No more than so many; empty where none come within.
 */
export function fittingOver(
  works: readonly Member[],
  wideMm: number,
  { leastShare, mostShare, gapMm, most = 5 }: { leastShare: number; mostShare: number; gapMm: number; most?: number },
): Member[] {
  const [least, best, limit] = [leastShare * wideMm, ((leastShare + mostShare) / 2) * wideMm, mostShare * wideMm]
  let found: { members: Member[]; off: number } | null = null
  const look = (begin: number, chosen: Member[], width: number): void => {
    if (width >= least && width <= limit) {
      // fewer, larger works are quieter
      const off = Math.abs(width - best) / wideMm + 0.05 * chosen.length
      if (found === null || off < found.off) found = { members: chosen, off }
    }
    if (chosen.length >= most) return
    for (let at = begin; at < works.length; at++) {
      const member = works[at]
      if (!member) continue
      const next = width + member.widthMm + (chosen.length > 0 ? gapMm : 0)
      if (next <= limit) look(at + 1, [...chosen, member], next)
    }
  }
  look(0, [], 0)
  return (found as { members: Member[] } | null)?.members ?? []
}
