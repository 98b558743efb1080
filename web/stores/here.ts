import { useEventListener, useIntervalFn } from '@vueuse/core'
import { v7 as uuidv7 } from 'uuid'
import { computed, onScopeDispose, shallowRef, watch, type ComputedRef, type Ref } from 'vue'
import { request } from '../api.ts'
import { useLive } from './live.ts'
import { useSession } from './session.ts'

type Here = { readonly window: string; readonly personId: string; readonly name: string; readonly page: string | null }
export type Other = { readonly name: string; readonly pages: readonly string[]; readonly self: boolean }

/** This window, as the others know it. */
const window_ = uuidv7()
const sayEveryMs = 20_000

/** Says that a makeover is open here, and hears who else has it open: other people, and other windows of one's own. */
export function useHere(makeoverId: Ref<string>, page: Ref<string>): ComputedRef<readonly Other[]> {
  const session = useSession()
  const here = shallowRef<readonly Here[]>([])
  const say = (id: string, at: string | null): void =>
    void fetch(`/api/makeovers/${id}/here`, {
      method: 'POST',
      keepalive: true,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ window: window_, page: at }),
    }).catch(() => undefined)
  const look = async (): Promise<void> => {
    here.value = await request<Here[]>('GET', `/makeovers/${makeoverId.value}/here`).catch(() => here.value)
  }
  useLive().hear((heard) => {
    if (heard.is === 'again') say(makeoverId.value, page.value)
    if (heard.is === 'again' || (heard.is === 'here' && heard.document === makeoverId.value)) void look()
  })
  watch(
    [makeoverId, page],
    ([id, at], [former]) => {
      if (former !== undefined && former !== id) say(former, null)
      say(id, at)
    },
    { immediate: true },
  )
  useIntervalFn(() => {
    say(makeoverId.value, page.value)
    void look()
  }, sayEveryMs)
  useEventListener(window, 'pagehide', () => say(makeoverId.value, null))
  onScopeDispose(() => say(makeoverId.value, null))

  return computed(() => {
    const others = new Map<string, Other>()
    for (const thisHere of here.value) {
      if (thisHere.window === window_ || thisHere.page === null) continue
      const known = others.get(thisHere.personId)
      others.set(thisHere.personId, {
        name: thisHere.name,
        self: thisHere.personId === session.person?.personId,
        pages: [...new Set([...(known?.pages ?? []), thisHere.page])],
      })
    }
    return [...others.values()]
  })
}
