import { v7 as uuidv7 } from 'uuid'
import { add, type Operation } from '#core/makeover/change.ts'
import { minor } from '#core/money/minor.ts'
import { candidateOf, orderOf, pieceOf } from '#core/testing/small-makeover.ts'
import { makeover, type person } from './studio.ts'

/** For tests of the door: a piece with a chosen candidate of a price, tax apart, in a new makeover. */
export async function planned(
  who: Awaited<ReturnType<typeof person>>,
  price: number,
  options?: Parameters<typeof makeover>[1],
) {
  const world = await makeover(who, options)
  const [piece, candidate] = [uuidv7(), uuidv7()]
  const offer = candidateOf(piece, world.ids.seller, { priceMinor: minor(price), taxPpm: 0 })
  const answer = await who.change(world.ids.makeover, [
    add(
      'piece',
      piece,
      pieceOf(world.ids.room, Object.values(world.categories)[0] ?? '', {
        quantity: 1,
        chosenId: candidate,
        chosenReason: 'Good',
      }),
    ),
    add('candidate', candidate, offer),
  ])
  if (answer.status !== 200) throw new Error(answer.text)
  return { ...world, id: world.ids.makeover, piece, candidate, offer }
}
/** An order of that candidate, at its terms. */
export const order = (
  plan: { candidate: string; offer: Parameters<typeof orderOf>[2] },
  fields: Parameters<typeof orderOf>[4] = {},
  id = uuidv7(),
): Operation[] => orderOf(id, plan.candidate, plan.offer, 1, fields)
