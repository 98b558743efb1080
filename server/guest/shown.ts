/** What a client's page shows: the versions that were sent to them, what they said, what they are asked, and what there is to sign. */
import { agreements, isSigned, keepBrief, writeKept } from '#core/brief/index.ts'
import { presentNow } from '#core/client/now.ts'
import { readPresented } from '#core/client/presented.ts'
import type { Shown, ToClose, ToSign } from '#core/client/shown.ts'
import type { Documents } from '#core/makeover/change.ts'
import { rowsOf, type Makeover } from '#core/makeover/document.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { sum, type Minor } from '#core/money/minor.ts'
import { reckonMoney, statement, type Statement } from '#core/purchases/index.ts'
import { offeredNow } from '#core/reveal/index.ts'
import { sha256Of } from '../digest.ts'

export function shownTo(documents: Documents, clientId: string, today: PlainDate): Shown {
  const { makeover } = documents
  const version = rowsOf(makeover, 'presentation').toSorted((left, right) => right.number - left.number)[0] ?? null
  const presented =
    version === null
      ? null
      : version.isLive
        ? presentNow(documents, version.parts, version.greeting, today)
        : readPresented(version.kept)
  const pictures = rowsOf(makeover, 'attachment')
  return {
    client: makeover.rows.client[clientId]?.name ?? '',
    version: version && { id: version.id, number: version.number, sentOn: version.sentOn, isLive: version.isLive },
    presented,
    replies: rowsOf(makeover, 'reply').map((reply) => ({
      id: reply.id,
      pieceId: reply.pieceId,
      questionId: reply.questionId,
      presentationId: reply.presentationId,
      says: reply.says,
      words: reply.words,
      saidOn: reply.saidOn,
      about: reply.about,
      atX: reply.atX,
      atY: reply.atY,
      mine: reply.clientId === clientId,
      by: makeover.rows.client[reply.clientId]?.name ?? '',
      pictures: pictures.flatMap(({ replyId, sha256 }) => (replyId === reply.id ? [sha256] : [])),
    })),
    asked: rowsOf(makeover, 'question')
      .filter(({ answer }) => answer === 'waiting')
      .map(({ id, pieceId, ask, neededBy }) => ({ id, pieceId, ask, neededBy })),
    toSign: toSign(makeover),
    toClose: toClose(documents, today),
    closed: rowsOf(makeover, 'closing').flatMap(({ signedById, reopenedOn, closedOn, digest }) =>
      signedById === null || reopenedOn !== null ? [] : [{ closedOn, digest }],
    ),
    signed: agreements(makeover).flatMap(({ row, categories }) =>
      row.signedOn === null
        ? []
        : [{ number: row.number, signedOn: row.signedOn, whole: sum([categories, row.contingencyMinor]) }],
    ),
  }
}

/** The closing statement as its words are kept: what the client reads, and nothing of the studio's own. */
export const closingText = ({ makeover, studio }: Documents, today: PlainDate): string =>
  JSON.stringify(statement({ makeover, studio }, reckonMoney(makeover), 'client', today))
function toClose(documents: Documents, today: PlainDate): ToClose | null {
  const offered = offeredNow(documents.makeover)
  if (!offered) return null
  const text = closingText(documents, today)
  return { id: offered.id, statement: JSON.parse(text) as Statement, digest: sha256Of(text) }
}

/** The first version that is drafted and not signed. */
function toSign(makeover: Makeover): ToSign | null {
  const draft = agreements(makeover).find(({ row }) => !isSigned(row))
  if (!draft) return null
  const { row, amounts, categories } = draft
  const sums = rowsOf(makeover, 'category')
    .toSorted((left, right) => left.place - right.place)
    .map(({ id, name }) => ({ category: name, amount: amounts.get(id) ?? (0 as Minor) }))
  const told = { number: row.number, reason: row.reason, sums, contingency: row.contingencyMinor }
  return { id: row.id, ...told, whole: sum([categories, row.contingencyMinor]), digest: sha256Of(toSignText(told)) }
}
/** The words and figures that a client sees as they sign, as the text their digest is taken of. */
export const toSignText = ({
  number,
  reason,
  sums,
  contingency,
}: Pick<ToSign, 'number' | 'reason' | 'sums' | 'contingency'>): string =>
  [number, reason, ...sums.map(({ category, amount }) => `${category}=${amount}`), contingency].join('\n')

/** The brief that a signed version keeps. */
export const keptFor = (documents: Documents, agreementId: string): string => {
  const brief = keepBrief(documents, agreementId)
  return brief ? writeKept(brief) : ''
}
