<script setup lang="ts">
import { ref, watch } from 'vue'
import { request } from '../api.ts'
import FieldText from '../parts/FieldText.vue'
import { saidField, useForm } from '../parts/form.ts'
import { answered, saidOf } from '../parts/telling.ts'
import DoorFrame from './DoorFrame.vue'
import { useToken } from './ticket.ts'

/** Another password: a letter is asked for, and its link sets it. */
const token = useToken()
const email = ref('')
const problem = ref('')
const done = ref<'asked' | 'set' | null>(null)
async function look(): Promise<void> {
  if (token.value === '') return
  problem.value = ''
  done.value = null
  try {
    email.value = (await request<{ email: string }>('POST', '/resets/look', { token: token.value })).email
  } catch (error) {
    problem.value = saidOf(error, 'open the link again')
  }
}
watch(token, look, { immediate: true })
const asking = useForm(() => ({ email: saidField('', 254) }))
const setting = useForm(() => ({ password: saidField('', 1000) }))
async function ask(): Promise<void> {
  if (await asking.submit((values) => answered(() => request('POST', '/resets', values)))) done.value = 'asked'
}
async function set(): Promise<void> {
  const password = setting.form.fields.password.text
  if (await setting.submit(() => answered(() => request('POST', '/resets/use', { token: token.value, password }))))
    done.value = 'set'
}
</script>

<template>
  <DoorFrame>
    <h1>Another password</h1>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
    <p v-if="done === 'asked'" role="status">
      If that address is somebody’s here, a letter is on its way. Its link sets another password, once, within an hour.
      Where no letter comes, ask an owner of your studio, or whoever runs this installation.
    </p>
    <p v-else-if="done === 'set'" role="status">
      The password is set, and every browser that was signed in is signed out. Your second factor, if you have one, is
      as it was.
    </p>
    <form v-else-if="email !== ''" novalidate class="sign-in-form" @submit.prevent="set">
      <p class="quiet">For {{ email }}.</p>
      <FieldText
        :field="setting.form.fields.password"
        label="The new one"
        type="password"
        hint="At least 12 characters, a few words that do not belong together"
        autocomplete="new-password"
      />
      <p v-for="fault in setting.form.faults" :key="fault" class="stop-line" role="alert">{{ fault }}</p>
      <el-button type="primary" native-type="submit" :loading="setting.form.busy">Set it</el-button>
    </form>
    <form v-else-if="token === '' || problem" novalidate class="sign-in-form" @submit.prevent="ask">
      <FieldText :field="asking.form.fields.email" label="Email" type="email" autocomplete="username" />
      <p v-for="fault in asking.form.faults" :key="fault" class="stop-line" role="alert">{{ fault }}</p>
      <el-button type="primary" native-type="submit" :loading="asking.form.busy">Write me a letter</el-button>
    </form>
    <p><router-link :to="{ name: 'sign-in' }">Sign in</router-link></p>
  </DoorFrame>
</template>
