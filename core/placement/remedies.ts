/** How remarks of the placement are cured: by the least move of one thing or two, as in the tag of the thing. */
import { edit } from '../makeover/change.ts'
import type { Makeover } from '../makeover/document.ts'
import { headOf } from '../makeover/document.ts'
import type { Practice } from '../makeover/practice.ts'
import { writeLength } from '../measure/length.ts'
import type { Remedies, Remedy } from '../remarks/remedy.ts'
import type { Remark } from '../remarks/remark.ts'
import { roomsOf } from '../survey/index.ts'
import type { catalogue } from './catalogue.ts'
import { codeOf } from './catalogue.ts'
import { floorOf } from './ground.ts'
import { toItsLine } from './hung/remedies.ts'
import { cureOf, keyOfCheck, keyOfWay, type Moved } from './least-move.ts'
import type { RoomPlaced } from './reckoned.ts'

type Has = { readonly placed: readonly RoomPlaced[]; readonly practice: Practice }
/** What is wrong, where, and which things may be moved for it. */
type Wrong = { readonly key: string; readonly ids: readonly string[] }

function wrongIn({ checks, ways }: RoomPlaced, { code, subjects }: Remark): Wrong | null {
  const isMeant = (ids: readonly string[]): boolean => ids.every((id) => subjects.some((subject) => subject.id === id))
  const check = checks.find((found) => codeOf(found.code) === code && found.weight !== 'well' && isMeant(found.ids))
  if (check) return { key: keyOfCheck(check), ids: check.ids }
  if (code !== codeOf('way') && code !== codeOf('blocked')) return null
  const way = ways.find((found) => !found.isWide && isMeant([found.from.id, found.to.id]))
  return way ? { key: keyOfWay(way), ids: (way.narrowest?.between ?? []).flatMap((body) => body?.id ?? []) } : null
}

const leastMove: Remedies = {
  words: 'The least move',
  find: (remark, makeover, { placed, practice: { rules } }: Has): Remedy[] => {
    const rooms = roomsOf(makeover, rules)
    for (const there of placed) {
      const room = rooms.find(({ id }) => id === there.roomId)
      const floor = room ? floorOf(room) : null
      const wrong = floor ? wrongIn(there, remark) : null
      if (!floor || !wrong) continue
      const free = new Set(
        there.bodies.map(({ id }) => id).filter((id) => makeover.rows.standing[id]?.pinned === false),
      )
      const moves = cureOf({ ...floor, rules }, there.bodies, wrong.ids, wrong.key, free)
      return moves ? [told(makeover, there, moves)] : []
    }
    return []
  },
}

const tenth = (value: number): number => Math.round(value * 10) / 10
function told(makeover: Makeover, { bodies }: RoomPlaced, moves: readonly Moved[]): Remedy {
  const units = headOf(makeover)?.units ?? 'metric'
  const words = moves
    .map(({ id, byMm, turned }) => {
      const name = bodies.find((body) => body.id === id)?.name ?? 'it'
      const far = byMm > 0 ? ` by ${writeLength(Math.round(byMm), units)}` : ''
      return `${name}${far}${turned ? `${far ? ' and' : ''} turned` : ''}`
    })
    .join(', and ')
  return {
    title: `Moved ${words}`,
    detail: 'The least that cures it; nothing else gets worse, and no way narrower.',
    operations: moves.flatMap(({ id, at: { xMm, yMm, turnDeg } }) => {
      const row = makeover.rows.standing[id]
      return row ? [edit('standing', row, { xMm: tenth(xMm), yMm: tenth(yMm), turnDeg: tenth(turnDeg) % 360 })] : []
    }),
  }
}

const movable = [
  'overlap',
  'outside',
  'door',
  'window',
  'radiator',
  'front',
  'open',
  'sofa-table',
  'dining',
  'bed-side',
  'desk',
  'lead',
  'pillow',
  'changing',
  'fire',
  'way',
  'blocked',
] as const satisfies readonly (keyof typeof catalogue)[]
export const placementRemedies: Readonly<Record<string, Remedies>> = {
  ...Object.fromEntries(movable.map((code) => [code, leastMove])),
  'hang-line': toItsLine,
  'hang-gap': toItsLine,
}
