/** What was signed here: typed by whom, when, and bound by a digest to what it said. What a file brought in has none. */
import { eq } from 'drizzle-orm'
import { signedText } from '#core/brief/index.ts'
import { withoutNames } from '#core/makeover/erase.ts'
import { rowsOf, type Makeover } from '#core/makeover/document.ts'
import type { Transaction } from '../database/connection.ts'
import { people, signings } from '../database/tables.ts'
import type { Person } from './door.ts'
import { sha256Of } from '../digest.ts'

/** Who makes a change that comes by a client's link, as the history names it: the name itself is in its sentence, where it can be erased. */
export const clientsPage = 'the client’s page'
/** Signed on the client's own page: by which link, the name as it was typed, and from which address. */
export type ByLink = { readonly linkId: string; readonly typedName: string; readonly address: string }

/** Notes what a change signs, with who typed it and when: on whose behalf and for which day is in what is signed. */
export async function sign(
  tx: Transaction,
  { studioId, personId }: Person,
  changeId: string,
  before: Makeover,
  after: Makeover,
  nowMs: number,
  byLink?: ByLink,
): Promise<void> {
  const signed = rowsOf(after, 'agreement').flatMap(({ id }) => {
    const text = before.rows.agreement[id]?.signedOn == null ? signedText(after, id) : null
    return text === null ? [] : [{ id, digest: sha256Of(text) }]
  })
  // a closing statement bears its own digest
  for (const { id, signedById, digest } of byLink ? rowsOf(after, 'closing') : [])
    if (signedById !== null && before.rows.closing[id]?.signedById === null) signed.push({ id, digest })
  if (signed.length === 0) return
  await tx.insert(signings).values(
    signed.map(({ id, digest }) => ({
      studioId,
      makeoverId: after.id,
      agreementId: id,
      changeId,
      personId,
      typedAt: new Date(nowMs),
      digest,
      linkId: byLink?.linkId ?? null,
      typedName: byLink?.typedName ?? null,
      address: byLink?.address ?? null,
    })),
  )
}

/** How a signed version, or a signed closing, came about: typed here, or brought in with a file that says so. */
export type Signed = {
  readonly agreementId: string
  readonly here: {
    readonly typedBy: string
    /** The client typed it on their own page, from that address. */
    readonly byClient: { readonly from: string } | null
    readonly typedAt: string
    readonly digest: string
    /** What it says today is what was signed. */
    readonly holds: boolean
    readonly erasedAt: string | null
  } | null
}

export async function signedOf(tx: Transaction, makeover: Makeover): Promise<Signed[]> {
  const kept = await tx
    .select({ signing: signings, typedBy: people.name })
    .from(signings)
    .leftJoin(people, eq(people.id, signings.personId))
    .where(eq(signings.makeoverId, makeover.id))
  const texts = [
    ...rowsOf(makeover, 'agreement').map(({ id }) => ({ id, text: signedText(makeover, id) })),
    ...rowsOf(makeover, 'closing').map(({ id, statement }) => ({ id, text: statement })),
  ]
  return texts.flatMap(({ id, text }): Signed[] => {
    if (text === null) return []
    const found = kept.find(({ signing }) => signing.agreementId === id)
    if (!found) return makeover.rows.agreement[id] ? [{ agreementId: id, here: null }] : []
    const { typedAt, digest, erasedAt, linkId, typedName, address } = found.signing
    return [
      {
        agreementId: id,
        here: {
          typedBy: linkId === null ? (found.typedBy ?? '') : (typedName ?? 'the client'),
          byClient: linkId === null ? null : { from: address ?? '' },
          typedAt: typedAt.toISOString(),
          digest,
          holds: sha256Of(text) === digest,
          erasedAt: erasedAt?.toISOString() ?? null,
        },
      },
    ]
  })
}

/** A name typed under something signed goes with the name that is erased, and where it was typed with it. */
export async function forgetTyped(tx: Transaction, makeoverId: string, names: readonly string[]): Promise<void> {
  const typed = await tx.select().from(signings).where(eq(signings.makeoverId, makeoverId))
  for (const { agreementId, typedName } of typed)
    if (typedName !== null && withoutNames(typedName, names) !== typedName)
      await tx.update(signings).set({ typedName: null, address: null }).where(eq(signings.agreementId, agreementId))
}
/** After a name was erased from what is signed, its digest is that of what is left, and says since when. */
export async function signAnew(tx: Transaction, makeover: Makeover, nowMs: number): Promise<void> {
  for (const { agreementId, here } of await signedOf(tx, makeover)) {
    const text = signedText(makeover, agreementId)
    if (text !== null && here && !here.holds)
      await tx
        .update(signings)
        .set({ digest: sha256Of(text), erasedAt: new Date(nowMs) })
        .where(eq(signings.agreementId, agreementId))
  }
}
