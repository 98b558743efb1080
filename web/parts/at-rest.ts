import { onBeforeRouteLeave, onBeforeRouteUpdate } from 'vue-router'

/** What keys have moved and nobody has put down yet. */
const inHand = new Set<() => void>()

/** Puts down everything that keys have moved: before something is undone, so that it undoes the last thing moved. */
export function putAllDown(): void {
  for (const put of inHand) put()
}

/**
 * Keys move a thing by small steps, and it is put down as one change once they rest for so many milliseconds, or as its
 * page is left.
 */
export function usePutAtRest(put: () => Promise<void>, restMs = 500): () => void {
  let timer = 0
  function putNow(): void {
    window.clearTimeout(timer)
    if (inHand.delete(putNow)) void put()
  }
  onBeforeRouteUpdate(putNow)
  onBeforeRouteLeave(putNow)
  return () => {
    window.clearTimeout(timer)
    inHand.add(putNow)
    timer = window.setTimeout(putNow, restMs)
  }
}
