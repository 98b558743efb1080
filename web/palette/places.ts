import { computed, type ComputedRef } from 'vue'
import { nowhere } from '#core/makeover/whereabouts.ts'
import { placesOf, type Place } from '#core/palette/index.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { roomsOf } from '#core/survey/index.ts'
import { useMakeover } from '../stores/makeover.ts'

/** Where the finishes that are looked at appear in their rooms: reckoned here, since the reckoning itself sends only counts. */
export function usePlaces(ids: () => readonly string[]): ComputedRef<ReadonlyMap<string, readonly Place[]>> {
  const makeover = useMakeover()
  return computed(() => {
    if (!makeover.opened) return new Map()
    const rules = makeover.reckoning?.practice.rules ?? effectiveRules()
    const rooms = roomsOf(makeover.opened.makeover, rules)
    const stands = makeover.reckoning?.whereabouts ?? nowhere
    return placesOf(
      makeover.opened.makeover,
      ids(),
      { rooms: new Map(rooms.map((room) => [room.id, room])), stands },
      rules,
    )
  })
}
