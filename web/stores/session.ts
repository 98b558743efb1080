import { defineStore } from 'pinia'
import { ref } from 'vue'
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
  const signIn = async (email: string, password: string): Promise<void> =>
    enter(await request<Person>('POST', '/session', { email, password }))
  const makeStudio = async (newStudio: NewStudio): Promise<void> =>
    enter(await request<Person>('POST', '/studios', newStudio))
  async function signOut(): Promise<void> {
    await request('DELETE', '/session')
    forgetCopies()
    forgetOwn()
    person.value = null
  }
  return { person, ranOut, ask, signIn, makeStudio, signOut }
})
