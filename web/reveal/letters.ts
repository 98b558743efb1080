import { ref } from 'vue'
import { NoAnswer, Refused, request } from '../api.ts'
import { useMakeover } from '../stores/makeover.ts'

/** A letter as the simulated post has it. */
export type Letter = {
  readonly id: string
  readonly makeoverId: string | null
  readonly forWhom: string
  readonly subject: string
  readonly opens: string | null
  readonly state: 'sent' | 'held up' | 'lost'
  readonly writtenAt: string
  readonly arrivesAt: string | null
}

/** The letters of the open makeover. */
export function useLetters() {
  const makeover = useMakeover()
  const letters = ref<readonly Letter[]>([])
  const problem = ref('')
  async function told<T>(work: () => Promise<T>): Promise<T | null> {
    problem.value = ''
    try {
      return await work()
    } catch (error) {
      if (error instanceof Refused) problem.value = error.problem.detail
      else if (error instanceof NoAnswer) problem.value = 'No answer from the server: try again in a moment.'
      else throw error
      return null
    }
  }
  async function load(): Promise<void> {
    const id = makeover.opened?.makeover.id
    const all = id === undefined ? null : await told(() => request<Letter[]>('GET', '/letters'))
    if (all) letters.value = all.filter(({ makeoverId }) => makeoverId === id)
  }
  const write = async (clientId: string, days: number, word: string): Promise<void> => {
    await told(() =>
      request('POST', `/makeovers/${makeover.opened?.makeover.id ?? ''}/letters`, { clientId, days, word }),
    )
    await load()
  }
  const fate = async ({ id }: Letter, state: Letter['state']): Promise<void> => {
    await told(() => request('POST', `/letters/${id}`, { state }))
    await load()
  }
  const takeBack = async ({ id }: Letter): Promise<void> => {
    await told(() => request('DELETE', `/letters/${id}/link`))
    await load()
  }
  return { letters, problem, load, write, fate, takeBack }
}
