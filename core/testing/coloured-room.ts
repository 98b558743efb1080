/** A room with colours in it. For tests. */
import { type Documents } from '../makeover/change.ts'
import { roles } from '../makeover/choices.ts'
import { paletteWorld, reckoned } from './palette.ts'

export const world = paletteWorld()

export const { carries, finish, idOf, newId, piece, school } = world

export const share = (documents: Documents, role: (typeof roles)[number]): number =>
  reckoned(documents).palette.balance.roles.find((roleBalance) => roleBalance.role === role)?.share ?? Number.NaN

export const areaOf = (documents: Documents, name: string) =>
  reckoned(documents).palette.finishes.find((finish) => finish.id === idOf(name))?.area

export const titles = (documents: Documents, code: string): string[] =>
  reckoned(documents)
    .remarks.filter((remark) => remark.code === code)
    .map((remark) => remark.title)
