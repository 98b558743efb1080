/** A room made ready for placing, kept while it is the same room: its setting, its bare floor, the ends of its ways. */
import { kept } from '../makeover/kept.ts'
import type { Room } from '../survey/index.ts'
import { bareField, type Field } from './clearance.ts'
import { settingOf, type Setting } from './setting.ts'
import { endsOf } from './ways.ts'

export type Floor = { readonly setting: Setting; readonly bare: Field; readonly ends: ReturnType<typeof endsOf> }
/** Null while the room is not closed. */
export const floorOf: (room: Room) => Floor | null = kept(
  (room: Room) => [room],
  (room: Room) => {
    const setting = settingOf(room)
    if (!setting) return null
    const bare = bareField(setting)
    return { setting, bare, ends: endsOf(setting, bare.grid) }
  },
)
