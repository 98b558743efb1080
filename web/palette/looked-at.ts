import { computed, ref, watch, type Ref } from 'vue'
import { byId } from '#core/makeover/by-id.ts'
import { families, type Family } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import type { LaidFinish } from '#core/makeover/laid.ts'
import type { Palette } from '#core/palette/index.ts'
import { useRows } from '../stores/rows.ts'
import type { Laid } from './tray.ts'

type Finishes = Readonly<Ref<readonly LaidFinish[]>>
export type Readings = Readonly<Ref<ReadonlyMap<string, Palette['finishes'][number]>>>
export type LookedAt = ReturnType<typeof useLookedAt>

/** What of the palette the tray shows: all of it, one family, one room, one zone. */
export function useLookedAt(finishes: Finishes, readings: Readings) {
  const zones = useRows('zone')
  const pieces = useRows('piece')
  const family = ref<Family | ''>('')
  const roomId = ref('')
  const zoneId = ref('')
  const zonesHere = computed(() => zones.value.filter((zone) => roomId.value === '' || zone.roomId === roomId.value))
  watch(roomId, () => (zoneId.value = ''))
  const zoneOf = (finish: Row<'finish'>): string | null =>
    finish.zoneId ?? byId(pieces.value, finish.pieceId)?.zoneId ?? null
  const shown = computed(() =>
    finishes.value.filter(
      (finish) =>
        (family.value === '' || finish.family === family.value) &&
        (roomId.value === '' || finish.roomId === roomId.value) &&
        (zoneId.value === '' || zoneOf(finish) === zoneId.value),
    ),
  )
  const laid = computed((): Laid[] =>
    shown.value.map((row) => ({ row, m2: row.surface === 'ceiling' ? 0 : (readings.value.get(row.id)?.area.m2 ?? 0) })),
  )
  const filtered = computed(() => shown.value.length < finishes.value.length)
  const familiesHere = computed(() =>
    families.filter((family) => finishes.value.some((finish) => finish.family === family)),
  )
  function clear(): void {
    family.value = ''
    roomId.value = zoneId.value = ''
  }

  return { family, roomId, zoneId, zonesHere, familiesHere, shown, laid, filtered, clear }
}
