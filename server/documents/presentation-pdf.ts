/** The version for a client on paper, in their serif: what the page shows, and nothing more. */
import type { Presented } from '#core/client/presented.ts'
import { hexFromLab } from '#core/colour/lab.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import type { Minor } from '#core/money/minor.ts'
import { writeMoney } from '#core/money/written.ts'
import { paper } from './paper.ts'

export function presentationPdf(presented: Presented): Promise<Buffer> {
  const { name, rooms, currency, greeting, asOf, brief, palette, plans, choices, treatments, dates, money } = presented
  const page = paper(name, 'A4')
  const sum = (amount: number): string => writeMoney(amount as Minor, currency)
  page.title(name, `${rooms.join(', ')} · ${writeDate(asOf)}`)
  if (greeting !== '') page.words(greeting)
  if (brief && brief.needs.length > 0) {
    page.heading('What the room is for')
    for (const { name: need, who, servedBy } of brief.needs)
      page.words(`${need}${who === '' ? '' : ` (${who})`}${servedBy.length === 0 ? '' : `: ${servedBy.join(', ')}`}`)
    if (brief.stays.length > 0) page.words(`It stays: ${brief.stays.join(', ')}.`, true)
  }
  if (palette && palette.length > 0) {
    page.heading('Colours and materials')
    page.swatches(
      palette.map((finish) => ({
        hex: hexFromLab({ L: finish.labL, a: finish.labA, b: finish.labB }),
        words: finish.name,
        below: finish.usedFor,
      })),
    )
  }
  for (const { room, svg, firstSeen } of plans ?? []) {
    page.heading(room)
    if (firstSeen.length > 0) page.words(`What you see first as you come in: ${firstSeen.join(', ')}.`)
    page.drawing(svg)
  }
  if (choices && choices.length > 0) {
    page.heading('What was chosen')
    for (const { name: thing, count, chosen, reason, size, turnedDown } of choices) {
      page.words(
        `${count > 1 ? `${count} × ` : ''}${thing}: ${chosen ?? 'not chosen yet'}${size === '' ? '' : `, ${size}`}`,
      )
      if (reason !== '') page.words(reason, true)
      for (const gone of turnedDown)
        page.words(`Turned down: ${gone.name}${gone.reason === '' ? '' : `. ${gone.reason}`}`, true)
    }
  }
  if (treatments && treatments.length > 0) {
    page.heading('Walls, floor and ceiling')
    for (const { room, words } of treatments) page.words(`${room}, ${words}`)
  }
  if (dates && dates.length > 0) {
    page.heading('Dates')
    for (const { on, what } of dates) page.words(`${writeDate(on)}: ${what}`)
  }
  if (money) {
    page.heading('Money, as agreed')
    page.table(
      [
        { head: 'Agreed', width: 10, right: true },
        { head: 'Spent', width: 10, right: true },
        { head: 'Still open', width: 10, right: true },
        { head: 'Left', width: 10, right: true },
      ],
      [[sum(money.agreed), sum(money.spent), sum(money.open), sum(money.left)]],
    )
  }
  return page.bytes(writeDate(asOf))
}
