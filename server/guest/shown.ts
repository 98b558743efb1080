/** What a client's page shows: the versions that were sent to them, what they said, what they are asked, and what there is to sign. */
import { agreements, isSigned, keepBrief, writeKept } from '#core/brief/index.ts'
import { presentNow } from '#core/client/now.ts'
import { readPresented, type Presented } from '#core/client/presented.ts'
import type { Documents } from '#core/makeover/change.ts'
import { rowsOf, type Makeover } from '#core/makeover/document.ts'
import type { Row } from '#core/makeover/kinds.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { sum, type Minor } from '#core/money/minor.ts'
import { digestOf } from '../changes/signings.ts'

export type ShownReply = Pick<
  Row<'reply'>,
  'id' | 'pieceId' | 'questionId' | 'presentationId' | 'says' | 'words' | 'saidOn' | 'about' | 'atX' | 'atY'
> & {
  readonly mine: boolean
  readonly by: string
  readonly pictures: readonly string[]
}
/** A budget that waits for a signature: its words and figures, and the digest of exactly these. */
export type ToSign = {
  readonly id: string
  readonly number: number
  readonly reason: string
  readonly sums: readonly { readonly category: string; readonly amount: Minor }[]
  readonly contingency: Minor
  readonly whole: Minor
  readonly digest: string
}
export type Shown = {
  readonly client: string
  readonly version: {
    readonly id: string
    readonly number: number
    readonly sentOn: PlainDate
    readonly isLive: boolean
  } | null
  readonly presented: Presented | null
  readonly replies: readonly ShownReply[]
  readonly asked: readonly {
    readonly id: string
    readonly pieceId: string | null
    readonly ask: string
    readonly neededBy: PlainDate | null
  }[]
  readonly toSign: ToSign | null
  readonly signed: readonly { readonly number: number; readonly signedOn: PlainDate; readonly whole: Minor }[]
}

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
    signed: agreements(makeover).flatMap(({ row, categories }) =>
      row.signedOn === null
        ? []
        : [{ number: row.number, signedOn: row.signedOn, whole: sum([categories, row.contingencyMinor]) }],
    ),
  }
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
  return { id: row.id, ...told, whole: sum([categories, row.contingencyMinor]), digest: digestOf(toSignText(told)) }
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
