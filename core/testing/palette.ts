/** A room with a palette, for tests: finishes and pieces by name. */
import { labFromHex, type Lab } from '../colour/lab.ts'
import { blank } from '../makeover/blank.ts'
import { add, type Documents, type Operation } from '../makeover/change.ts'
import type { Fields } from '../makeover/kinds.ts'
import { minor } from '../money/minor.ts'
import { practiceOf } from '../makeover/practice.ts'
import { reckon, type Reckoning } from '../reckoning/reckon.ts'
import { finishOnly, laidOn, type LaidFields } from './laid.ts'
import { begin, candidateOf, change, countingIds, pieceOf, testToday } from './small-makeover.ts'

export const labOfHex = (hex: string): Lab => labFromHex(hex) ?? { L: 0, a: 0, b: 0 }
const fields = ({ L, a, b }: Lab) => ({ labL: L, labA: a, labB: b })

/** Changes, alone or in lists, as helpers give them. */
export type Told = Operation | readonly (Operation | readonly Operation[])[]

export function paletteWorld() {
  const newId = countingIds()
  const world = begin(newId)
  const { ids, categories } = world
  const named = new Map<string, string>()
  const idOf = (name: string): string => named.get(name) ?? ''
  const noted = (name: string): string => {
    const id = newId()
    named.set(name, id)
    return id
  }
  /** A finish by its hex or its Lab, laid where it is said; painted, matt and dominant while nothing else is said. */
  function finish(name: string, colour: string | Lab, overrides: LaidFields = {}): Operation[] {
    const id = noted(name)
    const row = {
      ...blank.finish,
      roomId: ids.room,
      name,
      role: 'dominant',
      family: 'paint',
      sheen: 'matt',
      ...fields(typeof colour === 'string' ? labOfHex(colour) : colour),
      colourSource: 'hex',
      usedFor: '',
      visibleM2: 10,
      ...finishOnly(overrides),
    } as const
    return [add('finish', id, row), ...laidOn({ ...row, id }, overrides)]
  }
  /** A piece with a chosen candidate; of no known colour where there is no hex. */
  function piece(
    name: string,
    hex: string | null,
    overrides: Partial<Fields<'piece'>> = {},
    chosen: Partial<Fields<'candidate'>> = {},
  ): Operation[] {
    const [id, candidate] = [noted(name), newId()]
    return [
      add(
        'piece',
        id,
        pieceOf(ids.room, categories.Furniture ?? '', {
          name,
          chosenId: candidate,
          chosenReason: 'Good',
          allowanceMinor: minor(1),
          ...overrides,
        }),
      ),
      add(
        'candidate',
        candidate,
        candidateOf(id, ids.seller, { name, priceMinor: minor(1), ...(hex ? fields(labOfHex(hex)) : {}), ...chosen }),
      ),
    ]
  }
  const carries = (pattern: string, part: string, share: number): Operation =>
    add('patternPart', newId(), {
      finishId: idOf(pattern),
      partId: idOf(part),
      sharePpm: Math.round(share * 1_000_000),
    })
  const school = (question: Fields<'school'>['question'], name: string): Operation =>
    add('school', newId(), { question, school: name })
  const begun = change(world.start, world.operations)
  return {
    newId,
    ids,
    idOf,
    finish,
    piece,
    carries,
    school,
    begun,
    with: (...operations: readonly Told[]): Documents => change(begun, operations.flat(2)),
  }
}

export const reckoned = (documents: Documents): Reckoning => reckon(documents, testToday)
export const practised = (documents: Documents) => practiceOf(documents)
export const codesOf = (documents: Documents): string[] =>
  reckoned(documents)
    .remarks.map((remark) => remark.code)
    .filter((code) => code.startsWith('palette.'))
