import type { Habits } from '#core/measure/habits.ts'
import { minus, negate, type Minor } from '#core/money/minor.ts'
import { writeMoney } from '#core/money/written.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import type { Statement } from '#core/purchases/index.ts'
import { accountPages, unbroken as day } from './account-pdf.ts'
import { paper, type Column } from './paper.ts'

/** The account as pages: for the client without, for the studio with its costs and margins. */
export function statementPdf(
  statement: Statement,
  clients: readonly string[],
  studio: string,
  size: Habits['paper'] = 'A4',
): Promise<Buffer> {
  const money = (amount: Minor): string => writeMoney(amount, statement.currency)
  const forStudio = statement.for === 'studio'
  const page = paper(`Statement: ${statement.name}`, size)
  page.title(
    statement.name,
    `${forStudio ? 'Studio statement, not for the client' : `Statement for ${clients.join(' and ')}`}, as of ${writeDate(statement.asOf)}, in ${statement.currency}${statement.agreedOn ? `; agreed ${writeDate(statement.agreedOn)}` : '; nothing is signed yet'}`,
  )
  const { total } = statement
  if (statement.agreed.length > 0) {
    page.heading('What was agreed')
    for (const version of statement.agreed) {
      page.words(
        version.number === 1
          ? `${money(version.whole)} ${statement.currency} in all, the contingency of ${money(version.contingency)} within it, signed on ${day(version.signedOn)}.`
          : `Changed on ${day(version.signedOn)} to ${money(version.whole)} ${statement.currency} in all: ${version.reason}.`,
      )
      if (version.changes.length > 0)
        page.table(
          [
            { head: 'Category', width: 3 },
            { head: 'Was', width: 1.5, right: true },
            { head: 'Is now', width: 1.5, right: true },
            { head: 'Difference', width: 1.5, right: true },
          ],
          version.changes.map((line) => [
            line.name,
            money(line.was),
            money(line.is),
            `${line.is > line.was ? '+' : ''}${money(minus(line.is, line.was))}`,
          ]),
        )
    }
  }
  page.heading('By category')
  const head = (names: readonly string[], first: number): Column[] =>
    names.map((name, at) => ({ head: name, width: at === 0 ? first : 1.5, right: at > 0 }))
  page.table(
    head(['Category', 'Agreed', 'Paid', 'Committed', 'Still to buy', 'Forecast', 'Left'], 2.4),
    [
      ...statement.categories.map((category) => [
        category.name,
        money(category.agreed),
        money(category.paid),
        money(category.committed),
        money(category.stillToBuy),
        money(category.forecast),
        money(category.left),
      ]),
      [
        'All categories',
        money(total.categoriesAgreed),
        money(total.paid),
        money(total.committed),
        money(total.stillToBuy),
        money(total.forecast),
        money(total.left),
      ],
    ],
    'sum',
  )
  page.words(
    `Contingency ${money(total.contingency)}, of which ${money(total.contingencyDrawn)} is drawn. Refunds due ${money(total.refundsDue)}: the forecast is what is paid, committed and still to buy, less these.${total.over > 0 ? ` The forecast passes what was agreed by ${money(total.over)}.` : ''}`,
    true,
  )
  page.heading('Orders')
  if (statement.lines.length === 0) page.words('Nothing is ordered yet.', true)
  else
    page.table(
      [
        { head: 'What', width: 3.2 },
        { head: 'From', width: 2 },
        { head: 'Ordered', width: 1.7 },
        { head: 'How far', width: 1.3 },
        { head: 'Owed', width: 1.4, right: true },
        { head: 'Paid', width: 1.4, right: true },
        { head: 'Due', width: 1.3, right: true },
        ...(forStudio
          ? [
              { head: 'Cost', width: 1.4, right: true },
              { head: 'Margin', width: 1.3, right: true },
            ]
          : []),
      ],
      statement.lines.map((line) => [
        `${line.piece}: ${line.thing}${line.credited > 0 ? ` (credited ${money(line.credited)})` : ''}`,
        line.seller,
        day(line.orderedOn),
        line.state,
        money(line.owed),
        money(line.paid),
        money(line.due),
        ...(forStudio
          ? [line.studioCost === null ? '' : money(line.studioCost), line.margin === null ? '' : money(line.margin)]
          : []),
      ]),
    )
  if (forStudio && statement.margin !== null)
    page.words(`Margins on what the studio bought and bills on: ${money(statement.margin)}.`)
  if (statement.wishes.length > 0) {
    page.heading('Still to buy')
    page.table(
      [
        { head: 'What', width: 4 },
        { head: 'Category', width: 2 },
        { head: 'Counted by', width: 2 },
        { head: 'Sum', width: 1.6, right: true },
      ],
      statement.wishes.map((wish) => [wish.piece, wish.category, wish.basis, money(wish.stillToBuy)]),
    )
  }
  if (statement.payments.length > 0) {
    page.heading('Payments')
    page.table(
      [
        { head: 'On', width: 1.6 },
        { head: 'For', width: 4 },
        { head: 'To', width: 2.2 },
        { head: 'By', width: 1.6 },
        { head: 'Paid', width: 1.6, right: true },
        { head: 'Came back', width: 1.6, right: true },
      ],
      statement.payments.map((payment) => [
        day(payment.paidOn),
        payment.order,
        payment.seller,
        payment.tender,
        payment.amount > 0 ? money(payment.amount) : '',
        payment.amount < 0 ? money(negate(payment.amount)) : '',
      ]),
    )
  }
  accountPages(page, statement, money, day)
  if (statement.held.length > 0) {
    page.heading('Held with sellers')
    page.table(
      [
        { head: 'What', width: 3 },
        { head: 'Seller', width: 3 },
        { head: 'Until', width: 2 },
        { head: 'Left on it', width: 1.6, right: true },
      ],
      statement.held.map((line) => [
        line.what,
        line.seller,
        line.until ? writeDate(line.until) : 'no end',
        money(line.balance),
      ]),
    )
  }
  return page.bytes(`${studio}  ·  ${statement.name}  ·  ${writeDate(statement.asOf)}`)
}
