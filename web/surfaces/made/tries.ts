import { computed, type Ref } from 'vue'
import { answersOf, calculators, type Values } from '#core/calculators/index.ts'
import { hexFromLab } from '#core/colour/lab.ts'
import { paletteFinishes } from '#core/makeover/laid.ts'
import { rowsOf } from '#core/makeover/document.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { labOf } from '#core/palette/index.ts'
import type { Rules } from '#core/rulebook/rulebook.ts'
import { useEntry } from '../../stores/entry.ts'
import { useMakeover } from '../../stores/makeover.ts'

const plainWood = '#8a6f52'
const plainMat = '#f6f3ea'
/** A fillet is gilt, where nobody says otherwise. */
const gilt = '#b89a5b'

/** The tries of a picture as they are drawn: framed, in their wood and their mat, on the colour of their wall. */
export function useTries(tried: Ref<readonly Row<'making'>[]>, besides: Ref<Values>, rules: Ref<Rules>) {
  const makeover = useMakeover()
  const entry = useEntry()
  const frame = calculators.find(({ id }) => id === 'frame')
  const hexOf = (id: string | null): string | null => {
    const finish = id === null ? undefined : makeover.opened?.makeover.rows.finish[id]
    return finish ? hexFromLab(labOf(finish)) : null
  }
  const frames = computed(() => {
    const { opened } = makeover
    if (!opened || !frame) return []
    return tried.value
      .filter(({ calculator }) => calculator === 'frame')
      .flatMap((making) => {
        const told = { ...startsOf(frame), ...answersOf(opened.makeover, frame, making.id), ...besides.value }
        const found = frame.reckon(told, rules.value, entry.value.units)
        if (!found.ok || !found.framed) return []
        return [
          {
            id: making.id,
            name: making.name,
            framed: found.framed,
            faceMm: Number(told.face) || 20,
            count: Number(told.count) || 1,
            frameHex: hexOf(making.finishId) ?? plainWood,
            matHex: hexOf(making.secondId) ?? plainMat,
            filletHex: gilt,
          },
        ]
      })
  })
  /** Of the wall it hangs on, else of any wall of its room. */
  const wallHex = computed(() => {
    const { opened } = makeover
    const pieceId = tried.value[0]?.pieceId
    const piece = pieceId === undefined ? undefined : opened?.makeover.rows.piece[pieceId]
    if (!opened || !piece) return '#ffffff'
    const wallId = rowsOf(opened.makeover, 'hanging').find((row) => row.pieceId === piece.id)?.wallId ?? null
    const onWalls = paletteFinishes(opened.makeover).filter(
      ({ roomId, lies }) => roomId === piece.roomId && lies.some(({ surface }) => surface === 'walls'),
    )
    const here =
      onWalls.find(({ lies }) => wallId !== null && lies.some((lie) => lie.wallId === wallId)) ??
      onWalls.find(({ lies }) => lies.some((lie) => lie.surface === 'walls' && lie.wallId === null)) ??
      onWalls[0]
    return here ? hexFromLab(labOf(here)) : '#ffffff'
  })
  return { frames, wallHex }
}
const startsOf = ({ asks }: { readonly asks: readonly { readonly key: string; readonly start: unknown }[] }): Values =>
  Object.fromEntries(asks.map(({ key, start }) => [key, start as Values[string]]))
