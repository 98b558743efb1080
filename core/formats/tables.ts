/** The tables of a statement, as spreadsheets and CSV files carry them: a heading, and cells that keep their kind. */
import { minus, type Minor } from '../money/minor.ts'
import type { Cell } from './cells.ts'
import type { Statement } from '../purchases/index.ts'

export type Table = {
  readonly name: string
  readonly head: readonly string[]
  readonly rows: readonly (readonly Cell[])[]
}

const text = (value: string): Cell => ({ text: value })
const amount = (value: Minor | null): Cell => (value === null ? null : { amount: value })

/** Categories, orders, what is still to buy, payments and what is held; margins only where the studio reads it. */
export function statementTables(statement: Statement): Table[] {
  const forStudio = statement.for === 'studio'
  const sums = (
    sums: Pick<Statement['total'], 'paid' | 'committed' | 'stillToBuy' | 'refundsDue' | 'forecast' | 'left'>,
  ): Cell[] => [sums.paid, sums.committed, sums.stillToBuy, sums.refundsDue, sums.forecast, sums.left].map(amount)
  const margins = (studioCost: Minor | null, margin: Minor | null): Cell[] =>
    forStudio ? [amount(studioCost), amount(margin)] : []
  return [
    {
      name: 'Categories',
      head: ['Category', 'Agreed', 'Paid', 'Committed', 'Still to buy', 'Refunds due', 'Forecast', 'Left'],
      rows: [
        ...statement.categories.map((category): Cell[] => [
          text(category.name),
          amount(category.agreed),
          ...sums(category),
        ]),
        [text('All categories'), amount(statement.total.categoriesAgreed), ...sums(statement.total)],
        [
          text('Contingency'),
          amount(statement.total.contingency),
          null,
          null,
          null,
          null,
          null,
          amount(minus(statement.total.contingency, statement.total.contingencyDrawn)),
        ],
      ],
    },
    {
      name: 'Orders',
      head: [
        'Category',
        'Piece',
        'Thing',
        'Seller',
        'Order number',
        'Ordered',
        'How far',
        'Landed',
        'Tax in it',
        'Credited',
        'Owed',
        'Paid',
        'Due',
        ...(forStudio ? ['Cost to the studio', 'Margin'] : []),
      ],
      rows: statement.lines.map((line): Cell[] => [
        text(line.category),
        text(line.piece),
        text(line.thing),
        text(line.seller),
        text(line.reference),
        { date: line.orderedOn },
        text(line.state),
        ...[line.landed, line.tax, line.credited, line.owed, line.paid, line.due].map(amount),
        ...margins(line.studioCost, line.margin),
      ]),
    },
    {
      name: 'Still to buy',
      head: ['Category', 'Piece', 'Counted by', 'Still to buy'],
      rows: statement.wishes.map((wish): Cell[] => [
        text(wish.category),
        text(wish.piece),
        text(wish.basis),
        amount(wish.stillToBuy),
      ]),
    },
    {
      name: 'Payments',
      head: ['Paid on', 'For', 'Seller', 'By', 'Amount'],
      rows: statement.payments.map((payment): Cell[] => [
        { date: payment.paidOn },
        text(payment.order),
        text(payment.seller),
        text(payment.tender),
        amount(payment.amount),
      ]),
    },
    {
      name: 'Held',
      head: ['What', 'Seller', 'Until', 'Left on it'],
      rows: statement.held.map((held): Cell[] => [
        text(held.what),
        text(held.seller),
        held.until ? { date: held.until } : null,
        amount(held.balance),
      ]),
    },
    ...accountTables(statement),
  ]
}

/** What is between the client and the studio; nothing where there is nothing. */
function accountTables({ fees, hours, stages, receipts, client }: Statement): Table[] {
  const tables: Table[] = [
    {
      name: 'Fees',
      head: ['Fee', 'Category', 'Counted by', 'Before tax', 'Tax', 'Earned', 'Covered', 'In the end'],
      rows: fees.map((fee): Cell[] => [
        ...[fee.name, fee.category, fee.countedBy].map(text),
        ...[fee.net, fee.tax, fee.earned, fee.paid, fee.forecast].map(amount),
      ]),
    },
    {
      name: 'Hours',
      head: ['On', 'Fee', 'What', 'Minutes'],
      rows: hours.map((row): Cell[] => [
        { date: row.workedOn },
        text(row.fee),
        text(row.what),
        { number: row.minutes },
      ]),
    },
    {
      name: 'Asked',
      head: ['What', 'Asked on', 'Due on', 'Sum', 'Received', 'Outstanding'],
      rows: stages.map((stage): Cell[] => [
        text(stage.name),
        { date: stage.askedOn },
        stage.dueOn ? { date: stage.dueOn } : null,
        ...[stage.amount, stage.received, stage.outstanding].map(amount),
      ]),
    },
    {
      name: 'From the client',
      head: ['On', 'For', 'By', 'Amount'],
      rows: receipts.map((row): Cell[] => [
        { date: row.receivedOn },
        text(row.stage),
        text(row.tender),
        amount(row.amount),
      ]),
    },
    {
      name: 'Account',
      head: ['Goods billed on', 'Fees', 'Received', 'Owed by the client', 'Held for the client'],
      rows: client ? [[client.goods, client.fees, client.received, client.owes, client.held].map(amount)] : [],
    },
  ]
  return tables.filter((table) => table.rows.length > 0)
}
