import { ref } from 'vue'
import { NoAnswer, Refused, request } from '../api.ts'
import { useMakeover } from '../stores/makeover.ts'

/** A link as the server tells it: never its token, which is told once. */
export type Link = {
  readonly id: string
  readonly opens: 'calendar' | 'client'
  readonly forWhom: string | null
  readonly hasWord: boolean
  readonly madeAt: string
  readonly expiresAt: string | null
  readonly revokedAt: string | null
  readonly lastUsedAt: string | null
}
export type AskedLink = { readonly forWhom: string | null; readonly days: number | null; readonly word: string }

/** The links of the open makeover that open one sort of thing. */
export function useLinks(opens: Link['opens']) {
  const makeover = useMakeover()
  const list = ref<readonly Link[]>([])
  const made = ref<{ readonly link: Link; readonly token: string } | null>(null)
  const problem = ref('')
  const path = (): string => `/makeovers/${makeover.opened?.makeover.id ?? ''}/links`
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
    if (!makeover.opened) return
    const all = await told(() => request<Link[]>('GET', path()))
    if (all) list.value = all.filter((link) => link.opens === opens)
  }
  async function make(asked: AskedLink): Promise<void> {
    made.value = await told(() => request<{ link: Link; token: string }>('POST', path(), { opens, ...asked }))
    await load()
  }
  async function takeBack(link: Link): Promise<void> {
    await told(() => request('DELETE', `${path()}/${link.id}`))
    if (made.value?.link.id === link.id) made.value = null
    await load()
  }
  return { list, made, problem, load, make, takeBack }
}
