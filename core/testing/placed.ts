/** A measured room with things that stand in it, for tests. */
import { blank } from '../makeover/blank.ts'
import { add, type Operation } from '../makeover/change.ts'
import type { Fields } from '../makeover/kinds.ts'
import { bodiesIn, thingsOf, type Body } from '../placement/bodies.ts'
import { settingOf, type Setting } from '../placement/setting.ts'
import { effectiveRules } from '../rulebook/rulebook.ts'
import { roomsOf } from '../survey/index.ts'
import { candidateOf, change, pieceOf } from './small-makeover.ts'
import { measuredRoom, type Measured } from './surveyed.ts'

export type Stood = {
  readonly name: string
  readonly size: readonly [width: number, depth: number, height: number]
  readonly at: readonly [x: number, y: number, turn?: number]
  readonly piece?: Partial<Fields<'piece'>>
  readonly footprint?: Partial<Fields<'footprint'>>
  readonly opens?: readonly (Partial<Fields<'openState'>> & { readonly name: string })[]
  readonly topMm?: number
  readonly madeOf?: Fields<'candidate'>['madeOf']
}
export type Zoned = Partial<Fields<'zone'>> & { readonly name: string; readonly wall: number }

/** The room with its things, by their names where they are named once. */
export function furnished(measured: Measured, things: readonly Stood[], zones: readonly Zoned[] = []) {
  const { documents, roomId, wallIds, newId } = measuredRoom(measured)
  const category = Object.keys(documents.makeover.rows.category)[0] ?? ''
  const seller = Object.keys(documents.studio.rows.seller)[0] ?? ''
  const layoutId = newId()
  const operations: Operation[] = [
    add('layout', layoutId, { ...blank.layout, roomId, name: 'As it will be' }),
    ...zones.map(({ wall, ...zone }) =>
      add('zone', newId(), { ...blank.zone, roomId, wallId: wallIds[wall] ?? null, fromMm: 0, ...zone }),
    ),
    ...things.flatMap(
      ({ name, size: [widthMm, depthMm, heightMm], at, piece, footprint, opens = [], topMm, madeOf }): Operation[] => {
        const [pieceId, candidateId, standingId] = [newId(), newId(), newId()]
        return [
          add(
            'piece',
            pieceId,
            pieceOf(roomId, category, { name, quantity: 1, unit: 'pieces', chosenId: candidateId, ...piece }),
          ),
          add(
            'candidate',
            candidateId,
            candidateOf(pieceId, seller, {
              name: `${name} as sold`,
              widthMm,
              depthMm,
              heightMm,
              topMm: topMm ?? null,
              madeOf: madeOf ?? null,
            }),
          ),
          ...(footprint ? [add('footprint', newId(), { ...blank.footprint, pieceId, ...footprint })] : []),
          ...opens.map((open) => add('openState', newId(), { ...blank.openState, pieceId, ...open })),
          add('standing', standingId, {
            ...blank.standing,
            layoutId,
            pieceId,
            xMm: at[0],
            yMm: at[1],
            turnDeg: at[2] ?? 0,
          }),
        ]
      },
    ),
  ]
  const after = change(documents, operations)
  const rules = effectiveRules()
  const setting = settingIn(after)
  const bodies = bodiesIn(after.makeover, layoutId, thingsOf(after.makeover, rules))
  const body = (name: string): Body => {
    const found = bodies.find((thing) => thing.name === name)
    if (!found) throw new Error(`no ${name} stands there`)
    return found
  }
  return { documents: after, setting, bodies, body, rules, roomId, layoutId, wallIds, newId }
}
function settingIn({ makeover }: ReturnType<typeof change>): Setting {
  const [room] = roomsOf(makeover, effectiveRules())
  const setting = room && settingOf(room)
  if (!setting) throw new Error('the room is not closed')
  return setting
}
