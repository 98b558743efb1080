import { useDebounceFn } from '@vueuse/core'
import { computed, shallowRef, watch, type Ref } from 'vue'
import { byId } from '#core/makeover/by-id.ts'
import type { Room } from '#core/survey/index.ts'
import type { Draft } from './draft.ts'

type Rooms = Readonly<Ref<readonly Room[]>>

/** The room in hand while a length is typed: as it is drawn with each key, and as it is read when the typing pauses. */
export function useLiveRoom(rooms: Rooms, saved: Rooms, draft: Ref<Draft | null>, roomId: () => string) {
  const live = computed(() => byId(rooms.value, roomId()) ?? rooms.value[0])
  /** What is drawn: it follows each key, but half a number closes no room, and then it waits until the typing pauses. */
  const room = shallowRef(live.value)
  const savedRoom = computed(() => byId(saved.value, room.value?.id) ?? room.value)
  /** Figures, readings and what is said of the closing follow when the typing pauses, so that the page lies still under the hand. */
  const paused = shallowRef(live.value)
  const pause = useDebounceFn(() => (paused.value = room.value = live.value), 180)
  watch(
    live,
    (thisRoom) => {
      const typing = draft.value !== null && room.value?.id === thisRoom?.id
      if (!typing || thisRoom?.closing.state === 'closed' || room.value?.closing.state !== 'closed')
        room.value = thisRoom
      if (typing) void pause()
      else paused.value = thisRoom
    },
    { flush: 'sync' },
  )
  const calm = computed(() => (draft.value === null ? room.value : paused.value))
  return { room, savedRoom, calm }
}
