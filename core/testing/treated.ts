/** A measured room with treatments and lines to buy, and what they come to, for tests. */
import { blank } from '../makeover/blank.ts'
import { add, type Documents, type Operation } from '../makeover/change.ts'
import type { Fields } from '../makeover/kinds.ts'
import { minor } from '../money/minor.ts'
import { reckon } from '../reckoning/reckon.ts'
import { addLaid, type LaidFields } from './laid.ts'
import { candidateOf, pieceOf, testToday } from './small-makeover.ts'
import { measuredRoom, rectangle, type Measured } from './surveyed.ts'
import { roomsOf } from '../survey/index.ts'
import { measuredRooms } from '../surfaces/step.ts'
import { takeOffs } from '../surfaces/take-off/index.ts'
import type { TakeOff } from '../surfaces/take-off/told.ts'

export const plain: Measured = { walls: rectangle(5000, 3000), survey: { heightMm: 2500 } }
export const door = { wall: 0, what: 'door' as const, fromMm: 500, widthMm: 1000, headMm: 2000 }
export const spaced = (text: string | undefined): string => (text ?? '').replaceAll(/\s/g, ' ')

export function room(measured: Measured) {
  const { documents, roomId, wallIds, newId } = measuredRoom(measured)
  const finish = (
    fields: LaidFields,
    treated: Partial<Fields<'treatment'>> = {},
  ): { id: string; operations: Operation[] } => {
    const id = newId()
    const laid = addLaid(id, {
      ...blank.finish,
      roomId,
      name: 'Finish',
      role: 'dominant',
      family: 'paint',
      sheen: 'matt',
      labL: 80,
      labA: 0,
      labB: 8,
      colourSource: 'lab',
      usedFor: '',
      visibleM2: null,
      surface: 'walls',
      ...fields,
    })
    return {
      id,
      operations: laid.map((operation) =>
        operation.op === 'put' && operation.kind === 'treatment'
          ? { ...operation, fields: { ...operation.fields, ...treated } }
          : operation,
      ),
    }
  }
  const category = Object.keys(documents.makeover.rows.category)[0] ?? ''
  const seller = Object.keys(documents.studio.rows.seller)[0] ?? ''
  /** A line to buy with a chosen candidate, what it is made up of, and the sizes it is sold in. */
  const line = (
    piece: Partial<Fields<'piece'>>,
    candidate: Partial<Fields<'candidate'>>,
    makeUp: Partial<Fields<'makeUp'>> = {},
    sizes: readonly Partial<Fields<'saleSize'>>[] = [],
  ): { id: string; candidateId: string; operations: Operation[] } => {
    const [id, candidateId] = [newId(), newId()]
    return {
      id,
      candidateId,
      operations: [
        add(
          'piece',
          id,
          pieceOf(roomId, category, { name: 'Line', chosenId: candidateId, chosenReason: 'Good', ...piece }),
        ),
        add('candidate', candidateId, candidateOf(id, seller, { name: 'Sold', taxPpm: 0, ...candidate })),
        add('makeUp', newId(), { ...blank.makeUp, candidateId, ...makeUp }),
        ...sizes.map((size) =>
          add('saleSize', newId(), {
            ...blank.saleSize,
            candidateId,
            name: 'Size',
            holds: 1,
            priceMinor: minor(1),
            ...size,
          }),
        ),
      ],
    }
  }
  return { documents, roomId, wallIds, newId, finish, line }
}
const roomsIn = (documents: Documents) => {
  const { practice, survey } = reckon(documents, testToday)
  return { practice, rooms: measuredRooms(roomsOf(documents.makeover, practice.rules), survey) }
}
export const measuredOf = (documents: Documents) => {
  const [measured] = roomsIn(documents).rooms
  if (!measured) throw new Error('no room is measured')
  return measured
}
export const taken = (documents: Documents, id: string): TakeOff => {
  const { practice, rooms } = roomsIn(documents)
  const found = takeOffs(documents.makeover, rooms, practice.rules).find(({ finish }) => finish.id === id)
  if (!found) throw new Error('nothing is taken off')
  return found
}
export const reckonedOf = (documents: Documents, id: string) => {
  const { reckoned } = taken(documents, id)
  if (!reckoned?.ok) throw new Error(reckoned?.error ?? 'nothing')
  return reckoned
}
export const labels = (documents: Documents, id: string): string[] =>
  reckonedOf(documents, id).lines.map(({ label }) => label)
