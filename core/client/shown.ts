/** What a client's page is told by the server, and what it says back. */
import type { Row } from '../makeover/kinds.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import type { Minor } from '../money/minor.ts'
import type { Statement } from '../purchases/index.ts'
import type { Presented } from './presented.ts'

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
export type ToClose = { readonly id: string; readonly statement: Statement; readonly digest: string }
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
  /** The closing statement that is put before them, as it stands, and the digest of exactly this. */
  readonly toClose: ToClose | null
  readonly closed: readonly { readonly closedOn: PlainDate; readonly digest: string }[]
  readonly signed: readonly { readonly number: number; readonly signedOn: PlainDate; readonly whole: Minor }[]
}
export type Answer = Pick<
  ShownReply,
  'id' | 'pieceId' | 'questionId' | 'presentationId' | 'says' | 'words' | 'about' | 'atX' | 'atY'
>
