/** Why somebody may take one candidate rather than the others, in the words of the trade: proposed, never demanded. */
import type { CandidateReckoning } from './compare.ts'

/** What this one is ahead of the others in, the weightiest first; empty where it is ahead in nothing that is known. */
export function reasonsFor(candidate: CandidateReckoning, all: readonly CandidateReckoning[]): string[] {
  const others = all.filter(
    ({ row, ruledOut }) => row.id !== candidate.row.id && row.turnedDown === null && ruledOut.length === 0,
  )
  const ahead = (better: (rival: CandidateReckoning) => boolean): boolean => others.length > 0 && others.every(better)
  const some = (worse: (rival: CandidateReckoning) => boolean): boolean => others.some(worse)
  return [
    candidate.fit.is === 'fits' && some(({ fit }) => fit.is === 'too large') ? 'it fits' : '',
    candidate.slackDays !== null &&
    candidate.slackDays >= 0 &&
    some(({ slackDays }) => slackDays !== null && slackDays < 0)
      ? 'it is here in time'
      : '',
    candidate.clashes === 0 && some(({ clashes }) => clashes > 0) ? 'it clashes with nothing' : '',
    ahead(({ landed }) => landed.landed > candidate.landed.landed) ? 'it costs least' : '',
    ahead(({ tied }) => tied < candidate.tied) ? 'it ties most of the palette' : '',
    candidate.perYear !== null && ahead(({ perYear }) => perYear !== null && perYear > (candidate.perYear ?? 0))
      ? 'it costs least a year'
      : '',
    candidate.row.returnDays !== null && ahead(({ row }) => (row.returnDays ?? 0) < (candidate.row.returnDays ?? 0))
      ? 'it can go back longest'
      : '',
  ].filter((reason) => reason !== '')
}

/** The reasons as one sentence: “It fits, and it costs least”. */
export function reasonProposed(candidate: CandidateReckoning, all: readonly CandidateReckoning[]): string {
  const reasons = reasonsFor(candidate, all).slice(0, 2)
  const sentence = reasons.join(', and ')
  return sentence === '' ? '' : `${sentence[0]?.toUpperCase() ?? ''}${sentence.slice(1)}`
}

/** Why somebody may turn one down: what is wrong with it, else that another is chosen. */
export function whyNot(candidate: CandidateReckoning, chosen: boolean): string {
  if (candidate.ruledOut.length > 0) return `Ruled out: ${candidate.ruledOut.map(({ word }) => word).join(', ')}`
  if (candidate.fit.is === 'too large') return 'Too large for its place'
  if (candidate.slackDays !== null && candidate.slackDays < 0) return 'Not here in time'
  if (candidate.clashes > 0) return 'It clashes with the palette'
  if (candidate.against < 0) return 'It costs more than it may'
  return chosen ? 'Another was better' : ''
}
