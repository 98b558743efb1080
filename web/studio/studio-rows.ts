/** The rows of the studio, and the one way to change them from its pages. */
import { v7 as uuidv7 } from 'uuid'
import { ref, shallowRef } from 'vue'
import { schemaVersion, type Operation } from '#core/makeover/change.ts'
import type { Studio } from '#core/makeover/document.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { request } from '../api.ts'
import { useLive } from '../stores/live.ts'
import { answered } from '../parts/telling.ts'

export function useStudioRows() {
  const studio = shallowRef<Studio | null>(null)
  const today = ref<PlainDate | null>(null)
  async function load(): Promise<void> {
    const found = await request<{ studio: Studio; today: PlainDate }>('GET', '/studio')
    studio.value = found.studio
    today.value = found.today
  }
  useLive().hear((heard) => {
    if (heard.is === 'again' || (heard.is === 'rev' && heard.document === studio.value?.id))
      void load().catch(() => undefined) // what is shown stands until somebody answers
  })
  /** Makes a change; what is wrong with it, by field. */
  const change = (sentence: string, operations: readonly Operation[]) =>
    answered(async () => {
      await request('POST', '/studio/changes', { id: uuidv7(), schemaVersion, sentence, operations })
      await load()
    })
  return { studio, today, load, change }
}
