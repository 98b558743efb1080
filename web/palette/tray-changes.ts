import { ref, type Ref } from 'vue'
import { byId } from '#core/makeover/by-id.ts'
import { remove } from '#core/makeover/change.ts'
import type { Role } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { treatmentsOut } from '#core/makeover/lay.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import type { Readings } from './looked-at.ts'
import { inOrder, moveOperations, type Laid } from './tray.ts'

/** What is done to finishes on the tray: moved among those of a role, given another role, taken out. `laid` are those shown. */
export function useTrayChanges(
  finishes: Readonly<Ref<readonly Row<'finish'>[]>>,
  readings: Readings,
  laid: Readonly<Ref<readonly Laid[]>>,
) {
  const makeover = useMakeover()
  const patternParts = useRows('patternPart')
  const samples = useRows('sample')
  const viewings = useRows('viewing')
  const problem = ref('')
  async function change(sentence: string, operations: Parameters<typeof makeover.change>[1]): Promise<boolean> {
    const faults = operations.length === 0 ? [] : await makeover.change(sentence, operations)
    problem.value = faults.map((fault) => fault.message).join('; ')
    return faults.length === 0
  }
  /** Moved among what is shown: among all of its role, it comes to stand by the same neighbour. */
  async function move(finish: Row<'finish'>, role: Role, index: number): Promise<void> {
    const all: Laid[] = finishes.value.map((row) => ({ row, m2: readings.value.get(row.id)?.area.m2 ?? 0 }))
    const after = inOrder(
      laid.value.filter(({ row }) => row.id !== finish.id),
      role,
    )[index]
    const others = inOrder(
      all.filter(({ row }) => row.id !== finish.id),
      role,
    )
    const at = after ? others.findIndex(({ row }) => row.id === after.row.id) : others.length
    await change(
      finish.role === role ? `Put ${finish.name} in another place of the tray` : `${finish.name} is ${role}`,
      moveOperations(all, finish.id, role, at),
    )
  }
  const toRole = (finish: Row<'finish'>, role: Role): Promise<void> => move(finish, role, laid.value.length)
  /** Takes a finish out with its samples, their viewings and its part in patterns; false where a pattern carries it. */
  async function takeOut(finish: Row<'finish'>): Promise<boolean> {
    const carriers = patternParts.value
      .filter((row) => row.partId === finish.id)
      .flatMap((row) => byId(finishes.value, row.finishId)?.name ?? [])
    if (carriers.length > 0) {
      problem.value = `${carriers.join(' and ')} ${carriers.length === 1 ? 'carries' : 'carry'} ${finish.name} in the pattern: take it out of the pattern first.`
      return false
    }
    const own = samples.value.filter((row) => row.finishId === finish.id)
    const gone = [
      ...(makeover.opened ? treatmentsOut(makeover.opened.makeover, finish.id) : []),
      ...viewings.value
        .filter((row) => own.some((sample) => sample.id === row.sampleId))
        .map((row) => remove('viewing', row)),
      ...own.map((row) => remove('sample', row)),
      ...patternParts.value.filter((row) => row.finishId === finish.id).map((row) => remove('patternPart', row)),
    ]
    return change(`Took ${finish.name} out of the palette`, [...gone, remove('finish', finish)])
  }

  return { problem, move, toRole, takeOut }
}
