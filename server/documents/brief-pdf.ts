import type { KeptBrief } from '#core/brief/index.ts'
import { sum, type Minor } from '#core/money/minor.ts'
import { writeMoney } from '#core/money/written.ts'
import type { Habits } from '#core/measure/habits.ts'
import { dateIn, isPlainDate, writeDate } from '#core/measure/plain-date.ts'
import { rulebook, ruleIds, type Rule } from '#core/rulebook/rulebook.ts'
import type { Signed } from '../changes/signings.ts'
import { paper } from './paper.ts'

export type Signing = {
  readonly clients: readonly string[]
  readonly studio: string
  readonly signedBy: string | null
  readonly signedOn: string | null
  readonly version: number
  readonly reason: string
  readonly kept: boolean
  /** How it was signed here; null where it was not. */
  readonly here: Signed['here']
  readonly timeZone: string
  readonly paper?: Habits['paper']
}

const day = (date: string | null): string => (date !== null && isPlainDate(date) ? writeDate(date) : '')
const list = (words: readonly string[]): string => words.filter((word) => word !== '').join(', ')

/** Who signed, and how that is known: typed here by whom and when, or told by a file. */
function signedWords({
  signedBy,
  signedOn,
  here,
  timeZone,
}: Pick<Signing, 'signedBy' | 'signedOn' | 'here' | 'timeZone'>): string[] {
  if (!here)
    return [
      `A file that was brought in says: signed by ${signedBy ?? ''} on ${day(signedOn)}. It was not signed here, and nothing here vouches for it.`,
    ]
  const at = new Date(here.typedAt)
  const typedOn = dateIn(timeZone, at.getTime())
  return [
    here.byClient
      ? `Signed by ${signedBy ?? ''} on ${day(signedOn)}, by typing the name “${here.typedBy}” on their own page on ${writeDate(typedOn)}${here.byClient.from === '' ? '' : ` from ${here.byClient.from}`}.`
      : `Signed by ${signedBy ?? ''} on ${day(signedOn)}. ${here.typedBy} entered it on their behalf on ${writeDate(typedOn)}${typedOn === signedOn ? '' : ', which is later than the day it bears'}.`,
    here.holds
      ? `What it says is bound to the digest ${here.digest} (SHA-256)${here.erasedAt === null ? '' : ', taken anew when a name was erased from it'}.`
      : 'What it says is not what was signed: somebody changed it by another way than this product.',
  ]
}

/** The brief as a page to sign: as it stands, or word for word as it was signed. */
export function briefPdf(
  brief: KeptBrief,
  { clients, studio, signedBy, signedOn, version, reason, kept, here, timeZone, paper: size = 'A4' }: Signing,
): Promise<Buffer> {
  const page = paper(`Brief: ${brief.name}`, size)
  const money = (amount: number): string => writeMoney(amount as Minor, brief.currency) // a kept brief holds whole minor units
  page.title(
    brief.name,
    list([
      `Brief${version > 1 ? `, change ${version - 1}` : ''} for ${clients.join(' and ')}`,
      brief.rooms.join(', '),
      `to ${brief.scope}`,
      brief.installOn ? `to be installed on ${day(brief.installOn)}` : 'no install date yet',
    ]),
  )
  if (kept && signedOn)
    page.words(`As it was signed on ${day(signedOn)}. What was changed since then is not in it.`, true)
  if (reason) page.words(`Why it changes: ${reason}.`)
  page.heading('What the room is for')
  if (brief.needs.length === 0) page.words('Nothing is written down yet.', true)
  else
    page.table(
      [
        { head: 'Need', width: 5 },
        { head: 'How much', width: 1.4 },
        { head: 'For whom', width: 2.2 },
        { head: 'Served by', width: 4 },
      ],
      brief.needs.map((need) => [need.name, need.importance, need.who, need.servedBy.join(', ') || 'to be found']),
    )
  if (brief.stays.length > 0) {
    page.heading('What stays, and what is lent')
    page.table(
      [
        { head: 'Thing', width: 3 },
        { head: 'Why', width: 2.4 },
        { head: 'From', width: 3 },
        { head: 'Goes back', width: 1.6 },
        { head: 'Leaves a gap', width: 2.4 },
      ],
      brief.stays.map((stay) => [
        stay.name,
        list([stay.source, stay.reason]),
        stay.origin,
        day(stay.goesBackOn),
        stay.hole,
      ]),
    )
  }
  if (brief.constraints.length > 0) {
    page.heading('What may not be done or brought in')
    page.table(
      [
        { head: 'Not allowed', width: 2 },
        { head: 'Because of', width: 2 },
        { head: 'As it was said', width: 5 },
      ],
      brief.constraints.map((constraint) => [constraint.forbids, constraint.reason, constraint.note]),
    )
  }
  if (brief.permissions.length > 0) {
    page.heading('Permission asked of the owner')
    page.table(
      [
        { head: 'Asked', width: 4 },
        { head: 'Of whom', width: 2 },
        { head: 'Answer', width: 1.2 },
        { head: 'How it is put back', width: 3 },
        { head: 'At a cost of', width: 1.8, right: true },
      ],
      brief.permissions.map((permission) => [
        permission.ask,
        permission.askedOf,
        permission.answer,
        permission.restore,
        permission.restoreMinor > 0 ? money(permission.restoreMinor) : '',
      ]),
    )
  }
  if (brief.ways.length > 0) {
    page.heading('Ways chosen')
    page.table(
      [
        { head: 'Wish', width: 3 },
        { head: 'Way', width: 4 },
        { head: 'Cost', width: 2, right: true },
      ],
      brief.ways.map((way) => [way.wish, way.way, money(way.costMinor)]),
    )
  }
  if (brief.schools.length > 0) {
    page.heading('Whose practice is followed')
    page.table(
      [
        { head: 'Question', width: 2.4 },
        { head: 'School', width: 2.6 },
        { head: 'What the checks then do', width: 5 },
      ],
      brief.schools.map((school) => [school.asks, school.school, school.then]),
    )
  }
  page.heading('What it may cost')
  const whole = sum([...brief.sums.map((sum) => sum.amountMinor), brief.contingencyMinor] as Minor[])
  page.table(
    [
      { head: 'Category', width: 5 },
      { head: `Sum, ${brief.currency}`, width: 2, right: true },
    ],
    [
      ...brief.sums.map((sum) => [sum.category, money(sum.amountMinor)]),
      ['Contingency, for what nobody foresees', money(brief.contingencyMinor)],
      ['In all', money(whole)],
    ],
    'sum',
  )
  page.words('All sums include tax, delivery and fees. They change only by a change that is signed and says why.', true)
  if (signedOn) for (const sentence of signedWords({ signedBy, signedOn, here, timeZone })) page.words(sentence)
  else page.signatures([...clients.map((client) => `${client}, date`), `${studio}, date`])
  if (kept) {
    const own = ruleIds.filter((id) => id in brief.rules && brief.rules[id] !== rulebook[id].value)
    page.words(
      own.length === 0
        ? 'Reckoned by the defaults of the rulebook.'
        : `Reckoned by the defaults of the rulebook, but for: ${own.map((id) => `${(rulebook[id] as Rule).why.replace(/\.$/, '')} (${brief.rules[id]} ${(rulebook[id] as Rule).unit})`).join('; ')}.`,
      true,
    )
  }
  return page.bytes(`${studio}  ·  ${brief.name}`)
}
