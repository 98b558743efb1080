/** The take-off as a table, for spreadsheets: every treatment, and all that hangs before windows, with what it needs, what is bought, and its working line by line. */
import type { Cell } from '../formats/cells.ts'
import type { Table } from '../formats/tables.ts'
import { headOf, type Makeover } from '../makeover/document.ts'
import { inUnit, unitFor } from './units.ts'
import type { TakeOff } from './take-off/told.ts'
import type { DressedWindow } from './windows/index.ts'

const text = (value: string): Cell => ({ text: value })
const count = (value: number): Cell => ({ number: Math.round(value * 1000) / 1000 })

export function takeOffTables(
  makeover: Makeover,
  taken: readonly TakeOff[],
  hanging: readonly DressedWindow[],
): Table[] {
  const asking = taken.filter(({ reckoned }) => reckoned !== null)
  const roomOf = ({ finish }: TakeOff): string => makeover.rows.room[finish.roomId]?.name ?? ''
  const clothOf = ({ row }: DressedWindow): string => makeover.rows.finish[row.finishId ?? '']?.name ?? ''
  const isFeet = headOf(makeover)?.units === 'feet and inches'
  return [
    {
      name: 'Take-off',
      head: ['Room', 'Finish', 'Done as', 'Where', 'Needed', 'Unit', 'Packs', 'They hold', 'Over', 'Cost', 'Counts'],
      rows: asking
        .map((entry): Cell[] => {
          const { reckoned, buying, treatment, finish, where } = entry
          const unit = reckoned?.ok ? unitFor(reckoned.unit, isFeet) : ''
          return [
            text(roomOf(entry)),
            text(finish.name),
            text(treatment.how),
            text(where),
            reckoned?.ok ? count(inUnit(reckoned.need, reckoned.unit, unit) ?? reckoned.need) : null,
            text(reckoned?.ok ? unit : (reckoned?.error ?? '')),
            buying ? text(buying.packs.map((pack) => `${pack.count} × ${pack.holds}`).join(' + ')) : null,
            buying && reckoned?.ok ? count(inUnit(buying.holds, reckoned.unit, unit) ?? buying.holds) : null,
            buying && reckoned?.ok ? count(inUnit(buying.over, reckoned.unit, unit) ?? buying.over) : null,
            buying ? { amount: buying.cost } : null,
            text(treatment.insteadOfId === null ? 'yes' : 'only thought of'),
          ]
        })
        .concat(
          hanging.map((layer): Cell[] => {
            const { row, window, dressed } = layer
            const unit = dressed.ok ? unitFor(dressed.unit, isFeet) : ''
            return [
              text(window.room.name),
              text(clothOf(layer)),
              text(row.what),
              text(window.name),
              dressed.ok ? count(inUnit(dressed.need, dressed.unit, unit) ?? dressed.need) : null,
              text(dressed.ok ? unit : dressed.error),
              null,
              null,
              null,
              null,
              text('yes'),
            ]
          }),
        ),
    },
    {
      name: 'Working',
      head: ['Room', 'Finish', 'Done as', 'Line', 'Amount', 'How'],
      rows: asking
        .flatMap((entry) => {
          const { reckoned, finish, treatment } = entry
          return reckoned?.ok
            ? [...reckoned.lines, ...reckoned.beside].map((line): Cell[] => [
                text(roomOf(entry)),
                text(finish.name),
                text(treatment.how),
                text(line.label),
                text(line.amount),
                text(line.how),
              ])
            : []
        })
        .concat(
          hanging.flatMap((layer) =>
            layer.dressed.ok
              ? layer.dressed.lines.map((line): Cell[] => [
                  text(layer.window.room.name),
                  text(clothOf(layer)),
                  text(`${layer.row.what}, ${layer.window.name}`),
                  text(line.label),
                  text(line.amount),
                  text(line.how),
                ])
              : [],
          ),
        ),
    },
  ]
}
