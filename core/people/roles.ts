/** The people of a studio by what they do there, and what each may change. */
import type { Kind } from '../makeover/kinds.ts'

export const roles = ['owner', 'member', 'bookkeeper', 'looker-on'] as const
export type Role = (typeof roles)[number]

/** What somebody is, and whether they are shown what things cost. */
export type Standing = { readonly role: Role; readonly seesCosts: boolean }

/** What a role may do, in the words of the page that gives it. */
export const roleWords: Readonly<Record<Role, { readonly title: string; readonly does: string }>> = {
  owner: { title: 'Owner', does: 'does everything, and says who works here' },
  member: { title: 'Member', does: 'works on every makeover, money too' },
  bookkeeper: {
    title: 'Bookkeeper',
    does: 'sees everything; changes payments, credits, claims, sums asked of the client and paid by them, receipts and sellers',
  },
  'looker-on': { title: 'Looker-on', does: 'sees, and changes nothing' },
}

/** Orders and their lines are the member's: a bookkeeper pays them. */
const booked: ReadonlySet<Kind> = new Set<Kind>([
  'payment',
  'credit',
  'claim',
  'stage',
  'receipt',
  'attachment',
  'seller',
  'sellerEntry',
])

export function mayChange({ role }: Standing, kind: Kind): boolean {
  if (role === 'owner') return true
  if (role === 'member') return kind !== 'studio'
  return role === 'bookkeeper' && booked.has(kind)
}

/** Only a looker-on can be shown no costs: whoever works here works with them. */
export const showsCosts = ({ role, seesCosts }: Standing): boolean => role !== 'looker-on' || seesCosts
