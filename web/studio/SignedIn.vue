<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { request } from '../api.ts'
import { vCards } from '../parts/cards.ts'
import FieldText from '../parts/FieldText.vue'
import FormDialog from '../parts/FormDialog.vue'
import { saidField, useForm } from '../parts/form.ts'
import { answered, moment, useTelling } from '../parts/telling.ts'

/** Where one is signed in, and the password: each browser is signed out from here, and the password changed. */
type Session = {
  readonly id: string
  readonly browser: string
  readonly openedAt: string
  readonly expiresAt: string
  readonly isThis: boolean
}
const sessions = ref<readonly Session[]>([])
const others = computed(() => sessions.value.filter(({ isThis }) => !isThis))
const { said, told } = useTelling(async () => {
  sessions.value = await request<Session[]>('GET', '/sessions')
})
onMounted(() => told(() => Promise.resolve('')))
const end = (session: Session): Promise<void> =>
  told(async () => {
    await request('DELETE', `/sessions/${session.id}`)
    return `${session.browser} is signed out.`
  })
const endOthers = (): Promise<void> =>
  told(async () => {
    const { ended } = await request<{ ended: number }>('DELETE', '/sessions')
    return ended === 1 ? 'One browser is signed out.' : `${ended} browsers are signed out.`
  })

const changing = ref(false)
const { form, reset, submit } = useForm(() => ({ former: saidField('', 1000), next: saidField('', 1000) }))
function openForm(): void {
  reset()
  changing.value = true
}
async function change(): Promise<void> {
  const done = await submit(() =>
    answered(() =>
      // as it was typed: a blank at its end belongs to a password
      request('POST', '/password', { former: form.fields.former.text, next: form.fields.next.text }),
    ),
  )
  if (!done) return
  changing.value = false
  await told(() => Promise.resolve('The password is changed; every other browser is signed out.'))
}
</script>

<template>
  <section aria-labelledby="signed-in-title">
    <div class="section-head">
      <h2 id="signed-in-title">Where you are signed in</h2>
      <button type="button" class="word" @click="openForm">Change your password</button>
    </div>
    <p v-if="said" role="status">{{ said }}</p>
    <table v-cards>
      <thead>
        <tr>
          <th scope="col">Browser</th>
          <th scope="col">Since</th>
          <th scope="col">Until</th>
          <th scope="col"><span class="visually-hidden">Sign out</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="session in sessions" :key="session.id">
          <td>
            <strong>{{ session.browser }}</strong>
          </td>
          <td>{{ moment(session.openedAt) }}</td>
          <td>{{ moment(session.expiresAt) }}</td>
          <td>
            <span v-if="session.isThis" class="quiet">this one</span>
            <button v-else type="button" class="word" @click="end(session)">
              Sign out<span class="visually-hidden"> {{ session.browser }}</span>
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <button v-if="others.length > 1" type="button" class="word" @click="endOthers">Sign out all the others</button>
    <FormDialog
      v-model="changing"
      title="Change your password"
      action="Change it"
      :faults="form.faults"
      :busy="form.busy"
      @submit="change"
    >
      <FieldText :field="form.fields.former" label="The one you have" type="password" autocomplete="current-password" />
      <FieldText
        :field="form.fields.next"
        label="The new one"
        type="password"
        hint="At least 12 characters, a few words that do not belong together"
        autocomplete="new-password"
      />
    </FormDialog>
  </section>
</template>
