/** The small forms of sellers, of their coupons, and of what is held with them. */
import { couponBases, couponGives, taxRoundings } from '#core/makeover/choices.ts'
import { studioRows, type Studio } from '#core/makeover/document.ts'
import { writeMoney } from '#core/money/written.ts'
import { zero } from '#core/money/minor.ts'
import type { Setting } from '../stores/setting.ts'
import {
  choiceField,
  dateField,
  maybeDateField,
  maybeNumberField,
  moneyField,
  rateField,
  textField,
  yesField,
} from '../parts/form.ts'
import { asOptions, rowForm } from '../parts/rowform.ts'
import { optionsOf } from '../stores/rows.ts'

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
