import { useBroadcastChannel, useEventListener } from '@vueuse/core'
import { defineStore } from 'pinia'
import { onScopeDispose, watch } from 'vue'

export type Heard =
  | { readonly is: 'rev'; readonly document: string; readonly rev: number }
  | { readonly is: 'here'; readonly document: string }
  | { readonly is: 'again' }
  /** Something of one's own standing changed: the role, or whether the session stands. */
  | { readonly is: 'who' }

/**
 * What the server tells as it happens: one stream a browser, held by one of its windows and passed on to the others.
 * Without web locks (a page that is not secure) every window has a stream of its own. `again` says that words may have
 * been missed: look again.
 */
export const useLive = defineStore('live', () => {
  const listeners = new Set<(heard: Heard) => void>()
  const { data, post } = useBroadcastChannel<Heard, Heard>({ name: 'bonitas.live' })
  const tell = (heard: Heard): void => {
    for (const listener of listeners) listener(heard)
  }
  watch(data, tell, { flush: 'sync' })

  let source: EventSource | null = null
  let release: (() => void) | null = null
  const pass = (heard: Heard): void => {
    tell(heard)
    post(heard)
  }
  function listen(): void {
    source = new EventSource('/api/stream')
    source.addEventListener('rev', (event: MessageEvent<string>) =>
      pass({ is: 'rev', ...(JSON.parse(event.data) as { document: string; rev: number }) }),
    )
    source.addEventListener('here', (event: MessageEvent<string>) =>
      pass({ is: 'here', ...(JSON.parse(event.data) as { document: string }) }),
    )
    source.addEventListener('who', () => pass({ is: 'who' }))
    source.addEventListener('again', () => pass({ is: 'again' }))
    source.addEventListener('error', () => {
      // refused (signed out, or a proxy whose server is away): the browser gives up, and we do not
      if (source?.readyState !== EventSource.CLOSED) return
      pass({ is: 'who' })
      setTimeout(listen, 3000)
    })
  }
  let begun = false
  function begin(): void {
    if (begun || !('EventSource' in window)) return // without it a window looks again when it gets the focus
    begun = true
    const locks = (navigator as Partial<Navigator>).locks
    if (!locks) {
      listen()
      return
    }
    void locks.request('bonitas.live', () => {
      listen()
      return new Promise<void>((resolve) => (release = resolve))
    })
  }
  useEventListener(window, 'pagehide', () => {
    source?.close()
    release?.()
  })

  /** Hears until the scope it is called in ends. */
  function hear(listener: (heard: Heard) => void): void {
    listeners.add(listener)
    onScopeDispose(() => listeners.delete(listener), true)
    begin()
  }
  return { hear }
})
