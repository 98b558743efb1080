/** A thing seen in a shop, judged on the spot: does it fit, tie, clash, and is there money for it? */
import { blank } from '../makeover/blank.ts'
import { add, apply, type Documents, type Operation } from '../makeover/change.ts'
import { byId } from '../makeover/by-id.ts'
import { joinSeveral, openTerms } from '../makeover/choices.ts'
import type { Row } from '../makeover/kinds.ts'
import { currencyOf, headOf } from '../makeover/document.ts'
import type { Lab } from '../colour/lab.ts'
import type { ReadSize } from '../measure/size.ts'
import { minus, negate, type Minor } from '../money/minor.ts'
import { writeMoney } from '../money/written.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import type { Money } from '../purchases/index.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { insteadOf } from '../brief/index.ts'
import { compareCandidates } from './compare.ts'
import type { PieceDates } from './dates.ts'

export type Sighting = {
  readonly candidateId: string
  readonly name: string
  readonly priceMinor: Minor | null
  readonly size: ReadSize | null
  /** Whose it is: a seller the studio knows, or one to be made of this name; empty for not noted. */
  readonly seller: { readonly id: string; readonly name: string; readonly known: boolean } | null
  /** How tax is reckoned there, where it is known: mostly as for the last thing noted. */
  readonly tax: Pick<Row<'candidate'>, 'taxPpm' | 'taxIncluded' | 'deliveryTaxed'> | null
  /** The colours taken from it, the main one first. */
  readonly colours: readonly Lab[]
  /** What a page or a list tells besides. */
  readonly told?: Pick<Row<'candidate'>, 'link' | 'article' | 'colourName'>
  /** For a piece that is planned, or for one to be planned with it. */
  readonly piece:
    { readonly id: string } | { readonly newId: string; readonly roomId: string; readonly categoryId: string }
}
/** How one question is answered: "good", "bad", or "open" where something is not known. */
export type Verdict = {
  readonly about: 'fit' | 'money' | 'colour' | 'rules'
  readonly is: 'good' | 'bad' | 'open'
  readonly words: string
}

/** The rows that keep a sighting as a candidate; what nobody asked in the shop stays to be asked. */
export function keepSighting(
  { candidateId, name, priceMinor, size, seller, colours, piece, tax, told }: Sighting,
  today: PlainDate,
  newId: () => string,
): Operation[] {
  const [main, ...further] = colours
  const pieceId = 'id' in piece ? piece.id : piece.newId
  return [
    ...(seller && !seller.known ? [add('seller', seller.id, { ...blank.seller, name: seller.name })] : []),
    ...('id' in piece
      ? []
      : [
          add('piece', pieceId, {
            ...blank.piece,
            roomId: piece.roomId,
            zoneId: null,
            categoryId: piece.categoryId,
            name,
            quantity: 1,
            unit: 'pieces',
            allowanceMinor: priceMinor ?? (0 as Minor),
            chosenId: null,
            chosenReason: '',
          }),
        ]),
    add('candidate', candidateId, {
      ...blank.candidate,
      pieceId,
      sellerId: seller?.id ?? null,
      source: 'new',
      name,
      priceMinor: priceMinor ?? (0 as Minor),
      priceKind: 'seen',
      pricedOn: today,
      leadDays: null,
      toAsk: joinSeveral(openTerms, tax ? ['returns', 'delivery'] : openTerms),
      ...(tax ?? {}),
      ...(told ?? {}),
      ...(size ?? {}),
      labL: main?.L ?? null,
      labA: main?.a ?? null,
      labB: main?.b ?? null,
    }),
    ...further.map(({ L, a, b }) => add('candidateColour', newId(), { candidateId, labL: L, labA: a, labB: b })),
  ]
}

/** What can be said of it at once. Nothing is said of what was not typed. */
export function judgeSighting(
  documents: Documents,
  money: Money,
  rules: Rules,
  sighting: Sighting,
  today: PlainDate,
  newId: () => string,
  dates: readonly PieceDates[] = [],
): Verdict[] {
  const applied = apply(documents, keepSighting(sighting, today, newId), newId())
  if (applied.faults.length > 0) return []
  const { makeover, studio } = applied.documents
  const pieceId = 'id' in sighting.piece ? sighting.piece.id : sighting.piece.newId
  const piece = makeover.rows.piece[pieceId]
  const found =
    piece &&
    compareCandidates(makeover, studio, piece, rules, today, byId(dates, pieceId)?.wantedOn).find(
      ({ row }) => row.id === sighting.candidateId,
    )
  if (!piece || !found) return []
  const currency = currencyOf(makeover)
  const write = (amount: Minor): string => `${writeMoney(amount, currency)} ${currency}`
  const verdicts: Verdict[] = []
  if (sighting.size && headOf(makeover))
    verdicts.push({
      about: 'fit',
      is: found.fit.is === 'fits' ? 'good' : found.fit.is === 'too large' ? 'bad' : 'open',
      words: found.fit.is === 'not known' ? `nobody has measured where ${piece.name} goes` : found.fit.words,
    })
  if (sighting.priceMinor !== null) {
    const landed = found.landed.landed
    const over = minus(landed, piece.allowanceMinor)
    const category = byId(money.categories, piece.categoryId ?? '')
    const left =
      money.agreement && category
        ? minus(category.left, 'id' in sighting.piece ? (over > 0 ? over : (0 as Minor)) : landed)
        : null
    const forAll = `${piece.quantity === 1 ? '' : ` for all ${piece.quantity}`}${found.landed.tax > 0 && !found.row.taxIncluded ? ' with tax' : ''}`
    const allowed =
      'newId' in sighting.piece || piece.allowanceMinor === 0
        ? `${write(landed)}${forAll}`
        : over > 0
          ? `${write(landed)}${forAll}, ${write(over)} over what it may cost`
          : `${write(landed)}${forAll}, ${write(negate(over))} under what it may cost`
    verdicts.push({
      about: 'money',
      is: left === null ? (over > 0 && piece.allowanceMinor > 0 ? 'bad' : 'open') : left < 0 ? 'bad' : 'good',
      words:
        left === null
          ? `${allowed}; no budget is agreed yet`
          : left < 0
            ? `${allowed}: ${category?.name ?? ''} would be ${write(negate(left))} over`
            : `${allowed}; then ${write(left)} left in ${category?.name ?? ''}`,
    })
  }
  if (sighting.colours.length > 0) {
    const named = (tie: 'clash' | 'same' | 'hue'): string[] =>
      found.cells.filter((cell) => cell.tie === tie).map(({ finishId }) => makeover.rows.finish[finishId]?.name ?? '')
    const [clashes, tied] = [named('clash'), [...named('same'), ...named('hue')]]
    verdicts.push(
      clashes.length > 0
        ? { about: 'colour', is: 'bad', words: `clashes with ${clashes.join(', ')}` }
        : tied.length > 0
          ? { about: 'colour', is: 'good', words: `ties with ${tied.join(', ')}` }
          : { about: 'colour', is: 'open', words: 'is not in the palette: it would be one more colour' },
    )
  }
  if (found.ruledOut.length > 0)
    verdicts.push({
      about: 'rules',
      is: 'bad',
      words: `is ruled out: ${found.ruledOut.map((entry) => insteadOf(entry.word)).join('; ')}`,
    })
  return verdicts
}
