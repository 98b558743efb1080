import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { showsCosts, type Role } from '#core/people/roles.ts'
import { request } from '../api.ts'
import { forgetCopies } from '../away/away.ts'
import { forgetOwn } from './own.ts'

export type Person = {
  readonly personId: string
  readonly studioId: string
  readonly name: string
  readonly email: string
  readonly studioName: string
  readonly timeZone: string
  readonly role: Role
  readonly seesCosts: boolean
  readonly hasSecondFactor: boolean
}
export type NewStudio = { studioName: string; timeZone: string; name: string; email: string; password: string }

/** Who is signed in here. */
export const useSession = defineStore('session', () => {
  const person = ref<Person | null>(null)
  /** The session ran out while somebody was at work: they sign in over the page, and nothing typed is lost. */
  const ranOut = ref(false)
  let asked = false

  async function ask(): Promise<Person | null> {
    if (!asked) person.value = await request<Person | null>('GET', '/session')
    asked = true
    return person.value
  }
  function enter(who: Person): void {
    person.value = who
    ranOut.value = false
    asked = true
  }
  /** Where a code is asked for and none is given, it is refused as `code`. */
  const signIn = async (email: string, password: string, code?: string): Promise<void> =>
    enter(await request<Person>('POST', '/session', { email, password, ...(code === undefined ? {} : { code }) }))
  /** Asks again: the role of whoever works here may be another now. */
  async function askAgain(): Promise<void> {
    asked = false
    const before = person.value
    const found = await ask()
    if (before && !found) {
      person.value = before
      ranOut.value = true
    }
  }
  /** Costs are shown to whoever works here, and to lookers-on unless the owner said not. */
  const costs = computed(() => person.value === null || showsCosts(person.value))
  const owns = computed(() => person.value?.role === 'owner')
  const enterByKey = async (): Promise<void> => enter(await (await import('../accounts/passkey.ts')).enterByKey())
  const makeStudio = async (newStudio: NewStudio): Promise<void> =>
    enter(await request<Person>('POST', '/studios', newStudio))
  async function signOut(): Promise<void> {
    await request('DELETE', '/session')
    forgetCopies()
    forgetOwn()
    person.value = null
  }
  return { person, ranOut, costs, owns, ask, askAgain, signIn, enterByKey, makeStudio, signOut }
})
