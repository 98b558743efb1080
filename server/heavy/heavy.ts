/** Heavy work, handed to a few processes of its own: bounded in number, in waiting, in time. */
import { availableParallelism } from 'node:os'
import { Tinypool } from 'tinypool'
import { Damaged } from '#core/parcel/index.ts'
import { heavyJobs } from '../places.ts'
import { Problem } from '../problem.ts'
import type { Answer, Input, Job, Output } from './jobs.ts'
import { openQueue } from './queue.ts'

export type Heavy = {
  readonly run: <J extends Job>(studioId: string, job: J, input: Input<J>) => Promise<Output<J>>
  readonly close: () => Promise<void>
}

const lanes = Math.max(1, Math.min(3, availableParallelism() - 1))
/** Longer than the largest picture takes on a slow machine; what takes longer is ended with its process. */
const patienceMs = 60_000

export function openHeavy(): Heavy {
  const queue = openQueue({ lanes, most: 60, mostOfStudio: 12 })
  let pool: Tinypool | undefined
  const open = (): Tinypool =>
    (pool ??= new Tinypool({
      ...heavyJobs,
      runtime: 'child_process',
      env: { ...process.env, NODE_OPTIONS: '' },
      minThreads: 0,
      maxThreads: lanes,
      idleTimeout: 5 * 60_000,
      serialization: 'advanced',
    }))
  return {
    run: <J extends Job>(studioId: string, job: J, input: Input<J>): Promise<Output<J>> =>
      queue.run(studioId, async () => {
        const answer = (await open()
          .run({ job, input }, { signal: AbortSignal.timeout(patienceMs) })
          .catch((error: unknown) => {
            throw error instanceof Error && /abort|exited|terminat/i.test(`${error.name} ${error.message}`)
              ? new Problem(
                  503,
                  'busy',
                  'It took too long',
                  'It could not be worked out in the time it may take: try again, or with less.',
                )
              : error
          })) as Answer<Output<J>>
        if (answer.is === 'problem') throw new Problem(...answer.told)
        if (answer.is === 'damaged') throw new Damaged(...answer.told)
        return answer.value
      }),
    close: async () => {
      await pool?.destroy()
    },
  }
}
