import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import { edit, type Operation } from '#core/makeover/change.ts'
import { rowsOf } from '#core/makeover/document.ts'
import { canBear, paletteOf, shelfChecks, shelfOf, type Shelf } from '#core/placement/index.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { usePutAtRest } from '../../parts/at-rest.ts'
import { useMakeover } from '../../stores/makeover.ts'

/** One shelf with what stands on it: what is held against it as a thing is moved. */
export function useOnAShelf(roomAsked: Ref<string>, pieceAsked: Ref<string>) {
  const makeover = useMakeover()
  const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
  const opened = computed(() => makeover.opened?.makeover ?? null)
  const rooms = computed(() => (opened.value ? rowsOf(opened.value, 'room') : []))
  const room = computed(() => rooms.value.find(({ id }) => id === roomAsked.value) ?? rooms.value[0] ?? null)
  const allRows = computed(() => (opened.value ? rowsOf(opened.value, 'showpiece') : []))
  const countOn = (pieceId: string): number => allRows.value.filter((row) => row.pieceId === pieceId).length
  /** What things can stand on, that with most things first. */
  const bearers = computed(() =>
    opened.value && room.value
      ? rowsOf(opened.value, 'piece')
          .filter((piece) => piece.roomId === room.value?.id && (canBear(piece) || countOn(piece.id) > 0))
          .toSorted((left, right) => countOn(right.id) - countOn(left.id))
      : [],
  )
  const piece = computed(() => bearers.value.find(({ id }) => id === pieceAsked.value) ?? bearers.value[0] ?? null)
  const boardsRow = computed(() =>
    opened.value && piece.value
      ? (rowsOf(opened.value, 'shelving').find(({ pieceId }) => pieceId === piece.value?.id) ?? null)
      : null,
  )
  /** What is in the hand, or a whole order that is thought of: where things would stand. */
  const thought = shallowRef<ReadonlyMap<string, { readonly board: number; readonly alongMm: number }>>(new Map())
  const shelf = computed((): Shelf | null => {
    if (!opened.value || !piece.value) return null
    const own = allRows.value
      .filter(({ pieceId }) => pieceId === piece.value?.id)
      .map((row) => ({ ...row, ...thought.value.get(row.id) }))
    return shelfOf(opened.value, piece.value, boardsRow.value?.heights ?? '', own)
  })
  const checks = computed(() =>
    opened.value && shelf.value && room.value
      ? shelfChecks(shelf.value, paletteOf(opened.value, room.value.id), rules.value)
      : [],
  )
  const selectedId = ref('')
  const selected = computed(() => shelf.value?.all.find(({ id }) => id === selectedId.value) ?? null)
  watch(
    () => piece.value?.id,
    () => {
      selectedId.value = ''
      thought.value = new Map()
    },
  )

  const problem = ref('')
  async function tell(sentence: string, operations: readonly Operation[]): Promise<void> {
    const thoughtOf = thought.value
    const faults = await makeover.change(sentence, operations)
    problem.value = faults.map(({ message }) => message).join('; ')
    // moved on while it was being put down, it stays in the hand
    if (faults.length === 0 && thought.value === thoughtOf) thought.value = new Map()
  }
  const rowOf = (id: string) => opened.value?.rows.showpiece[id]
  /** Along its board, and up or down to the next. */
  function move(id: string, alongMm: number, upMm: number): void {
    const row = rowOf(id)
    const boards = shelf.value?.boards ?? []
    if (!row || boards.length === 0) return
    const at = thought.value.get(id) ?? row
    raw = raw?.id === id ? raw : { id, along: at.alongMm, up: boards[at.board - 1]?.at ?? 0 }
    raw = { id, along: raw.along + alongMm, up: raw.up + upMm }
    const { up, along } = raw
    const [nearest] = boards.toSorted((left, right) => Math.abs(left.at - up) - Math.abs(right.at - up))
    thought.value = new Map([[id, { board: nearest?.number ?? at.board, alongMm: Math.max(0, along) }]])
  }
  let raw: { id: string; along: number; up: number } | null = null
  async function put(): Promise<void> {
    raw = null
    const [moved] = thought.value
    const row = moved && rowOf(moved[0])
    if (!moved || !row) return
    await tell(`Moved ${row.name} on ${piece.value?.name ?? 'its shelf'}`, [
      edit('showpiece', row, { board: moved[1].board, alongMm: Math.round(moved[1].alongMm * 10) / 10 }),
    ])
  }
  const putSoon = usePutAtRest(put)
  function nudge(along: number, boards: number): void {
    const row = rowOf(selectedId.value)
    const all = shelf.value?.boards ?? []
    if (!row) return
    const at = thought.value.get(row.id) ?? row
    const board = Math.min(all.length, Math.max(1, at.board + boards))
    thought.value = new Map([[row.id, { board, alongMm: Math.max(0, at.alongMm + along) }]])
    putSoon()
  }
  return {
    rules,
    opened,
    rooms,
    room,
    bearers,
    countOn,
    piece,
    boardsRow,
    thought,
    shelf,
    checks,
    selectedId,
    selected,
    problem,
    tell,
    rowOf,
    move,
    put,
    nudge,
  }
}
export type OnAShelf = ReturnType<typeof useOnAShelf>
