import { useEventListener } from '@vueuse/core'
import { onBeforeUnmount, reactive } from 'vue'

export type Key = { readonly key: string; readonly ctrl?: boolean; readonly does: string; readonly run: () => void }

/** The keys that work on the page now, for the list under "?". */
export const keysHere = reactive<Key[]>([])

const typing = (event: KeyboardEvent): boolean => {
  const at = event.target
  if (event.altKey || event.defaultPrevented) return true
  if (document.querySelector('.el-overlay:not([style*="display: none"]) .el-dialog')) return true
  return at instanceof HTMLElement && (at.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(at.tagName))
}

/** Keys of a page or of the frame; they rest while somebody types or a dialog is open. */
export function useKeys(keys: readonly Key[]): void {
  keysHere.push(...keys)
  useEventListener(document, 'keydown', (event) => {
    if (typing(event)) return
    const ctrl = event.ctrlKey || event.metaKey
    const pressed = ctrl && event.shiftKey && event.key.toLowerCase() === 'z' ? 'y' : event.key
    const found = keys.find((key) => key.key === pressed && (key.ctrl ?? false) === ctrl)
    if (!found) return
    event.preventDefault()
    found.run()
  })
  onBeforeUnmount(() => {
    for (const key of keys) keysHere.splice(keysHere.indexOf(key), 1)
  })
}
