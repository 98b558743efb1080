/** The demo: one made-up studio and its makeovers, in the order they were begun. */
import type { Standing } from '#core/people/index.ts'
import type { Studio } from '#core/makeover/document.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { breakfastRoom } from './breakfast-room.ts'
import { musicRoom, type Told } from './music-room.ts'
import { teaRoom } from './tea-room.ts'

export const demoDecorator = {
  studioName: 'Wren & Tide',
  timeZone: 'Europe/Lisbon',
  name: 'Ottilie Wren',
  email: 'ottilie@wrenandtide.example',
  password: 'lamplight-on-larch',
}

/** Who else works in it; signed in with the same password. */
export const demoHelpers: readonly (Standing & { readonly name: string; readonly email: string })[] = [
  { name: 'Jory Tide', email: 'jory@wrenandtide.example', role: 'member', seesCosts: true },
  { name: 'Odile Marsh', email: 'odile@wrenandtide.example', role: 'bookkeeper', seesCosts: true },
  { name: 'Perrin Sedge', email: 'perrin@wrenandtide.example', role: 'looker-on', seesCosts: false },
]

export type { Told }
export { demoStudio } from './studio.ts'

export const demoMakeovers = (today: PlainDate, newId: () => string, studio: Studio): Told[] => {
  const told: Told[] = []
  for (const tellOne of [teaRoom, musicRoom, breakfastRoom])
    told.push(tellOne(today, newId, told.at(-1)?.studio ?? studio))
  return told
}
