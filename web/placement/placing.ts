import { wrap, type Remote } from 'comlink'
import { toRaw } from 'vue'
import type { PlacingWorker, Scene } from '../workers/placing.worker.ts'
import type { OnThePlan } from './on-the-plan.ts'
import { useMakeover } from '../stores/makeover.ts'

let worker: Remote<PlacingWorker> | undefined
export const placing = (): Remote<PlacingWorker> =>
  (worker ??= wrap<PlacingWorker>(
    new Worker(new URL('../workers/placing.worker.ts', import.meta.url), { type: 'module' }),
  ))

/** What the worker is to look at: the room and the layout that are on the plan. */
export function useScene(plan: OnThePlan): () => Scene | null {
  const makeover = useMakeover()
  return () =>
    makeover.opened && plan.room.value
      ? {
          makeover: toRaw(makeover.opened.makeover),
          rules: { ...toRaw(plan.rules.value) },
          roomId: plan.room.value.id,
          layoutId: plan.layout.value?.id ?? null,
        }
      : null
}
