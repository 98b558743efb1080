/** The small forms of what happens to a line of an order. */
import { claimReasons, couponBases, couponGives, answers, taxRoundings, type Source } from '#core/makeover/choices.ts'
import { studioRows, type Studio } from '#core/makeover/document.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeMoney } from '#core/money/written.ts'
import { zero } from '#core/money/minor.ts'
import { cancelledValue, type PurchaseReckoning } from '#core/purchases/index.ts'
import type { Setting } from '../stores/setting.ts'
import {
  choiceField,
  dateField,
  maybeDateField,
  maybeNumberField,
  moneyField,
  numberField,
  rateField,
  textField,
  yesField,
} from '../parts/form.ts'
import { asOptions, rowForm } from '../parts/rowform.ts'
import { optionsOf } from '../stores/rows.ts'

export type LineAt = {
  readonly row: Row<'purchase'>
  readonly money: PurchaseReckoning
  readonly name: string
  readonly source?: Source
}

export const goodsForm = ({ today }: Setting, { row: line, money, name }: LineAt) =>
  rowForm({
    kind: 'delivery',
    title: () => `Goods came: ${name}`,
    action: 'They are here',
    fields: () => ({
      packs: numberField(money.awaited, 0),
      receivedOn: dateField(today),
      damagedPacks: numberField(0, 0),
      cameInstead: textField(''),
      note: textField(''),
    }),
    layout: [
      [
        {
          key: 'packs',
          label: line.packSize === 1 ? 'How many' : 'How many packs',
          hint: `${money.awaited} of ${money.packs} outstanding`,
        },
        { key: 'receivedOn', label: 'Came on' },
        { key: 'damagedPacks', label: 'Of them damaged' },
      ],
      [
        {
          key: 'cameInstead',
          label: 'Something else came instead',
          optional: true,
          hint: 'What came, where it is not what was ordered',
        },
      ],
      [{ key: 'note', label: 'What is wrong with them', when: (texts) => (texts.damagedPacks ?? '0') !== '0' }],
    ],
    toRow: (values) => ({ ...values, purchaseId: line.id }),
    sentence: (values) =>
      `${values.packs} of ${line.packs} came: ${name}${values.damagedPacks > 0 ? `, ${values.damagedPacks} damaged` : ''}`,
    ...(line.returnDays === null
      ? {}
      : {
          caution: `Leave the tags on until it stands in its place. It can go back for ${line.returnDays} days from this date.`,
        }),
  })

export const cancelForm = ({ currency, today }: Setting, { row: line, money, name }: LineAt) =>
  rowForm({
    kind: 'cancellation',
    title: () => `Cancel: ${name}`,
    action: 'Cancel order',
    away: 'Keep order',
    fields: () => ({
      packs: numberField(money.awaited, 0),
      cancelledOn: dateField(today),
      reason: textField(
        money.arrivesOn !== null && money.arrivesOn < today ? 'It did not come in time' : 'Not wanted any more',
      ),
      creditMinor: moneyField(
        currency,
        cancelledValue(line, Math.min(line.packs - money.cancelled, Math.max(1, money.awaited)), money.cancelled),
      ),
      keptMinor: moneyField(currency, zero),
      wantedAgain: yesField(true),
    }),
    layout: [
      [
        {
          key: 'packs',
          label: line.packSize === 1 ? 'How many' : 'How many packs',
          hint: `${money.awaited} not here yet`,
        },
        { key: 'cancelledOn', label: 'Cancelled on' },
      ],
      [{ key: 'reason', label: 'Why' }],
      [
        {
          key: 'creditMinor',
          label: 'What the price falls by',
          unit: currency,
          hint: `All of them: ${writeMoney(cancelledValue(line, line.packs), currency)}`,
        },
        { key: 'keptMinor', label: 'What the seller keeps', unit: currency, hint: 'A deposit, or a fee' },
      ],
      [{ key: 'wantedAgain', label: 'Still wanted: count it as to buy again', as: 'yes' }],
    ],
    toRow: (values) => ({ ...values, purchaseId: line.id }),
    sentence: (values) => `Cancelled ${values.packs} of ${line.packs}: ${name}`,
    caution: 'What was paid and is not kept by the seller then stands as money to come back.',
  })

export const claimForm = (
  { currency, today }: Setting,
  { row: line, name }: LineAt,
  asks: { readonly about: (typeof claimReasons)[number]; readonly amount: Row<'claim'>['askedMinor'] | null },
) =>
  rowForm({
    kind: 'claim',
    title: (row) => (row ? `The seller answered: ${name}` : `Ask the seller: ${name}`),
    action: 'Asked',
    fields: (row) => ({
      about: choiceField(claimReasons, row?.about ?? asks.about),
      askedMinor: moneyField(currency, row?.askedMinor ?? asks.amount, { least: 1 }),
      madeOn: dateField(row?.madeOn ?? today),
      note: textField(row?.note),
      answer: choiceField(answers, row?.answer === 'waiting' || !row ? (row ? 'yes' : 'waiting') : row.answer),
      grantedMinor: moneyField(currency, row ? (row.grantedMinor > 0 ? row.grantedMinor : row.askedMinor) : zero),
      answeredOn: maybeDateField(row ? today : null),
    }),
    layout: [
      [
        { key: 'about', label: 'About', as: 'choice', options: asOptions(claimReasons) },
        { key: 'askedMinor', label: 'Asked for', unit: currency },
        { key: 'madeOn', label: 'Asked on' },
      ],
      [{ key: 'note', label: 'What was said', optional: true }],
      [
        { key: 'answer', label: 'Answer', as: 'choice', options: asOptions(answers) },
        { key: 'grantedMinor', label: 'Granted', unit: currency, when: (texts) => texts.answer === 'yes' },
        { key: 'answeredOn', label: 'Answered on', when: (texts) => texts.answer !== 'waiting' },
      ],
    ],
    toRow: ({ answer, grantedMinor, answeredOn, ...rest }) => ({
      ...rest,
      purchaseId: line.id,
      answer,
      grantedMinor: answer === 'yes' ? grantedMinor : zero,
      answeredOn: answer === 'waiting' ? null : (answeredOn ?? today),
    }),
    sentence: ({ about, answer }) =>
      answer === 'waiting'
        ? `Asked the seller about ${about}: ${name}`
        : `The seller said ${answer} to ${about}: ${name}`,
    caution: 'The whole price stays owed and counted until the seller grants it.',
  })

export const placeForm = ({ today }: Setting, { row: line, name }: LineAt) =>
  rowForm({
    kind: 'placing',
    title: () => `In its place: ${name}`,
    action: 'It stands',
    fields: (row) => ({
      placedOn: dateField(row?.placedOn ?? today),
      tagsOffOn: maybeDateField(row?.tagsOffOn ?? null),
    }),
    layout: [
      [
        { key: 'placedOn', label: 'Placed on' },
        { key: 'tagsOffOn', label: 'Tags off on', optional: true, hint: 'Once it works there: it is then kept' },
      ],
    ],
    toRow: (values, row) => ({ ...values, purchaseId: row?.purchaseId ?? line.id }),
    sentence: (values) => (values.tagsOffOn ? `Kept, tags off: ${name}` : `Put in its place: ${name}`),
    removed: () => `Taken from its place again: ${name}`,
  })

export const couponForm = ({ currency }: Setting, studio: Studio) => {
  const sellers = studioRows(studio, 'seller')
  return rowForm({
    kind: 'coupon',
    title: (row) => (row ? row.name : 'A coupon'),
    fields: (row) => ({
      sellerId: choiceField(
        sellers.map((seller) => seller.id),
        row?.sellerId ?? '',
      ),
      name: textField(row?.name),
      gives: choiceField(couponGives, row?.gives ?? 'percent'),
      ratePpm: rateField(row?.ratePpm ?? 100_000),
      amountMinor: moneyField(currency, row?.amountMinor ?? zero),
      base: choiceField(couponBases, row?.base ?? 'reduced price'),
      minimumMinor: moneyField(currency, row?.minimumMinor ?? zero),
      endsOn: maybeDateField(row?.endsOn ?? null),
      conditions: textField(row?.conditions),
    }),
    layout: [
      [
        { key: 'sellerId', label: 'Seller', as: 'choice', options: optionsOf(sellers) },
        { key: 'name', label: 'What it is called' },
      ],
      [
        {
          key: 'gives',
          label: 'It gives',
          as: 'choice',
          options: [
            { value: 'percent', label: 'a percentage' },
            { value: 'amount', label: 'an amount' },
          ],
        },
        { key: 'ratePpm', label: 'Off', unit: '%', when: (texts) => texts.gives === 'percent' },
        { key: 'amountMinor', label: 'Off', unit: currency, when: (texts) => texts.gives === 'amount' },
        {
          key: 'base',
          label: 'Counted on',
          as: 'choice',
          options: [
            { value: 'reduced price', label: 'the price after other discounts' },
            { value: 'full price', label: 'the full price' },
          ],
        },
      ],
      [
        { key: 'minimumMinor', label: 'For goods of at least', unit: currency },
        { key: 'endsOn', label: 'Ends on', optional: true },
      ],
      [{ key: 'conditions', label: 'Its terms', optional: true }],
    ],
    toRow: (values) => values,
    sentence: (values, row) => `${row ? 'Changed' : 'Noted'} the coupon “${values.name}”`,
    removed: (row) => `Took away the coupon “${row.name}”`,
  })
}

/** A seller, as all makeovers of the studio know it. */
export const sellerForm = () =>
  rowForm({
    kind: 'seller',
    title: (row) => row?.name ?? 'A seller',
    fields: (row) => ({
      name: textField(row?.name),
      groupName: textField(row?.groupName),
      taxRounding: choiceField(taxRoundings, row?.taxRounding ?? 'line'),
      adjustDays: maybeNumberField(row?.adjustDays ?? null, 0),
      note: textField(row?.note),
    }),
    layout: [
      [
        { key: 'name', label: 'Name' },
        {
          key: 'groupName',
          label: 'Group',
          optional: true,
          hint: 'Sellers of one group take each other’s gift cards',
        },
      ],
      [
        { key: 'taxRounding', label: 'Tax is rounded for each', as: 'choice', options: asOptions(taxRoundings) },
        { key: 'adjustDays', label: 'Price-match days', optional: true, unit: 'days' },
      ],
      [{ key: 'note', label: 'Note', lines: 2, optional: true }],
    ],
    toRow: (values) => values,
    sentence: (values) => `Changed the seller ${values.name}`,
    caution: 'All makeovers of the studio share it.',
  })

export const giftCardForm = ({ currency, today }: Setting, studio: Studio) => {
  const sellers = studioRows(studio, 'seller')
  return rowForm({
    kind: 'credit',
    title: () => 'A gift card',
    fields: (row) => ({
      sellerId: choiceField(
        sellers.map((seller) => seller.id),
        row?.sellerId ?? '',
      ),
      number: textField(row?.number),
      faceMinor: moneyField(currency, row?.faceMinor ?? null),
      gotOn: dateField(row?.gotOn ?? today),
      expiresOn: maybeDateField(row?.expiresOn ?? null),
      wholeGroup: yesField(row?.wholeGroup ?? false),
    }),
    layout: [
      [
        { key: 'sellerId', label: 'Seller', as: 'choice', options: optionsOf(sellers) },
        { key: 'number', label: 'Number', optional: true },
      ],
      [
        { key: 'faceMinor', label: 'Worth', unit: currency },
        { key: 'gotOn', label: 'Got on' },
        { key: 'expiresOn', label: 'Ends on', optional: true },
      ],
      [
        {
          key: 'wholeGroup',
          label: 'Good at every seller of its group',
          as: 'yes',
          when: (texts) => sellers.some((seller) => seller.id === texts.sellerId && seller.groupName !== ''),
        },
      ],
    ],
    toRow: (values, row) => ({ ...values, kind: row?.kind ?? 'gift card' }),
    sentence: (values) => `Noted a gift card of ${writeMoney(values.faceMinor, currency)}`,
    removed: () => 'Took away a gift card',
    caution: 'A gift card is a way to pay, not a discount: it counts at its face.',
  })
}
