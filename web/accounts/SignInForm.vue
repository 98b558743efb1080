<script setup lang="ts">
import { ref } from 'vue'
import { Refused } from '../api.ts'
import { hasPasskeys, KeyRefused } from './passkey.ts'
import FieldText from '../parts/FieldText.vue'
import { saidField, textField, useForm } from '../parts/form.ts'
import { useSession } from '../stores/session.ts'

const { email = '' } = defineProps<{ email?: string }>()
const emit = defineEmits<{ done: [] }>()
const session = useSession()
const { form, submit } = useForm(() => ({
  email: saidField(email, 254),
  password: saidField('', 1000),
  code: textField(''),
}))
/** The password was right, and a code is asked for too. */
const asksCode = ref(false)

async function signIn(): Promise<void> {
  const done = await submit(async (values) => {
    try {
      await session.signIn(values.email, form.fields.password.text, asksCode.value ? values.code : undefined)
      return []
    } catch (error) {
      if (error instanceof Refused && error.problem.type.endsWith(':code') && !asksCode.value) {
        asksCode.value = true
        return [{ field: null, message: error.problem.detail }]
      }
      return [
        {
          field: null,
          message:
            error instanceof Refused
              ? error.problem.detail
              : 'No answer from the server. What you typed is still here: try again.',
        },
      ]
    }
  })
  if (done) emit('done')
}
async function byKey(): Promise<void> {
  try {
    form.faults = []
    await session.enterByKey()
    emit('done')
  } catch (error) {
    form.faults = [
      error instanceof Refused
        ? error.problem.detail
        : error instanceof KeyRefused
          ? error.message
          : 'No answer from the server: try again.',
    ]
  }
}
</script>

<template>
  <form novalidate class="sign-in-form" @submit.prevent="signIn">
    <FieldText :field="form.fields.email" label="Email" type="email" autocomplete="username" />
    <FieldText :field="form.fields.password" label="Password" type="password" autocomplete="current-password" />
    <FieldText
      v-if="asksCode"
      :field="form.fields.code"
      label="Code"
      autocomplete="one-time-code"
      hint="Six figures of your app, or a recovery code"
    />
    <p v-for="fault in form.faults" :key="fault" class="stop-line" role="alert">{{ fault }}</p>
    <el-button type="primary" native-type="submit" :loading="form.busy">Sign in</el-button>
    <button v-if="hasPasskeys()" type="button" class="word" @click="byKey">With a passkey</button>
    <router-link class="word forgot" :to="{ name: 'another-password' }">Another password</router-link>
  </form>
</template>

<style>
.sign-in-form {
  display: grid;
  gap: 6px;
}
.sign-in-form .el-button {
  margin-top: 8px;
  height: 40px;
}
</style>
