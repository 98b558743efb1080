/** The small forms of what happens to a line of an order. */
import { claimReasons, answers, type Source } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeMoney } from '#core/money/written.ts'
import { zero } from '#core/money/minor.ts'
import { cancelledValue, type PurchaseReckoning } from '#core/purchases/index.ts'
import type { Setting } from '../stores/setting.ts'
import { choiceField, dateField, maybeDateField, moneyField, numberField, textField, yesField } from '../parts/form.ts'
import { asOptions, rowForm } from '../parts/rowform.ts'

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
