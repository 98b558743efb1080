import type { Source } from '../makeover/choices.ts'

/** What each source asks to be known, and what to watch for. */
export type SourceNeeds = {
  readonly says: string
  readonly seller: boolean
  readonly origin: string | null
  readonly goesBack: boolean
  readonly condition: boolean
  readonly work: boolean
  readonly hole: boolean
  readonly keepReason: boolean
  readonly periods: boolean
  readonly trade: boolean
  readonly lookAgain: boolean
  readonly promised: boolean
  readonly caution: string
}

const none: SourceNeeds = {
  says: '',
  seller: true,
  origin: null,
  goesBack: false,
  condition: false,
  work: false,
  hole: false,
  keepReason: false,
  periods: false,
  trade: false,
  lookAgain: false,
  promised: false,
  caution: '',
}

export const sourceNeeds: Readonly<Record<Source, SourceNeeds>> = {
  new: { ...none, says: 'Bought new, at a seller’s terms.' },
  'second-hand': {
    ...none,
    says: 'Found: its condition, and no return unless they say so.',
    condition: true,
    caution: 'Upholstery: look for the fire label, pests, damp and recalls before it comes in.',
  },
  trade: { ...none, says: 'Bought at a trade discount that the studio keeps or passes on.', trade: true },
  owned: {
    ...none,
    says: 'The client has it and keeps it.',
    seller: false,
    origin: 'Where it stands now',
    keepReason: true,
  },
  moved: {
    ...none,
    says: 'From another room of theirs, where it leaves a gap.',
    seller: false,
    origin: 'From which room',
    keepReason: true,
    goesBack: true,
    hole: true,
  },
  borrowed: { ...none, says: 'Lent, and it goes back.', seller: false, origin: 'Whose it is', goesBack: true },
  made: { ...none, says: 'Made: materials, and hours at a rate.', seller: false, origin: 'Who makes it', work: true },
  altered: {
    ...none,
    says: 'A found piece, and the work on it.',
    origin: 'Who does the work',
    work: true,
    condition: true,
    caution: 'Old paint may hold lead: test before sanding.',
  },
  gift: {
    ...none,
    says: 'Given to them, or promised.',
    seller: false,
    origin: 'From whom',
    keepReason: true,
    promised: true,
  },
  custom: { ...none, says: 'Made to order: mostly with a deposit, and a final sale.', condition: false },
  rented: { ...none, says: 'Rented by the period, and it goes back.', goesBack: true, periods: true },
  placeholder: {
    ...none,
    says: 'A stand-in until the real one: with a day to look again. The final piece still counts with its allowance.',
    lookAgain: true,
  },
}
