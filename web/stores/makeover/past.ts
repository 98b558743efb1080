import { shallowRef } from 'vue'
import { request } from '../../api.ts'
import type { Opened, View } from './view.ts'

/** An earlier moment of a makeover: the change after which it is shown. */
export type Moment = { readonly rev: number; readonly madeAt: string; readonly sentence: string; readonly who: string }

/** The makeover as it was: nothing can be changed there. */
export function createPast(view: Pick<View, 'lay'>) {
  const past = shallowRef<Moment | null>(null)

  /** Shows a makeover as it was after a rev, reckoned as of that day. */
  async function lookAt(id: string, rev: number): Promise<void> {
    const { moment, ...found } = await request<Opened & { moment: Moment }>('GET', `/makeovers/${id}/at/${rev}`)
    past.value = moment
    await view.lay(() => found)
  }
  return { past, lookAt }
}
