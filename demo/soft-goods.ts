/** What hangs before the windows of the demo, and what is made for its rooms. */
import { blank } from '#core/makeover/blank.ts'
import { add, type Operation } from '#core/makeover/change.ts'
import { rowsOf } from '#core/makeover/document.ts'
import type { Fields } from '#core/makeover/kinds.ts'
import type { tell } from './telling.ts'

type Told = ReturnType<typeof tell>

/** Something before the window on the wall of that place in the walk. */
export function hangs(told: Told, wall: number, at: number, fields: Partial<Fields<'dressing'>>): Operation {
  const wallId = told.wall(told.room(), wall)
  const window = rowsOf(told.documents().makeover, 'opening')
    .filter((row) => row.wallId === wallId && row.what === 'window')
    .toSorted((left, right) => left.fromMm - right.fromMm)[at]
  if (!window) throw new Error(`The demo has no window ${at} on wall ${wall}`)
  return add('dressing', told.newId(), { ...blank.dressing, openingId: window.id, ...fields })
}

/** A way of making a piece, by what its calculator was answered, and what has to be had for it. */
export function makes(
  told: Told,
  pieceName: string,
  fields: Pick<Fields<'making'>, 'name' | 'calculator'> & Partial<Fields<'making'>>,
  answers: Readonly<Record<string, number | string>>,
  supplies: readonly Omit<Fields<'supply'>, 'makingId' | 'place'>[] = [],
): Operation[] {
  const id = told.newId()
  return [
    add('making', id, { ...blank.making, pieceId: told.idOf('piece', pieceName), ...fields }),
    ...Object.entries(answers).map(([asked, answer]) =>
      add('measure', told.newId(), { makingId: id, asked, answer: String(answer) }),
    ),
    ...supplies.map((supply, place) => add('supply', told.newId(), { ...supply, makingId: id, place })),
  ]
}
