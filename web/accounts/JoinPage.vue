<script setup lang="ts">
import { ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { request } from '../api.ts'
import FieldText from '../parts/FieldText.vue'
import { saidField, useForm } from '../parts/form.ts'
import { answered, saidOf } from '../parts/telling.ts'
import { useSession } from '../stores/session.ts'
import DoorFrame from './DoorFrame.vue'
import { useToken } from './ticket.ts'

/** Somebody comes into a studio by an invitation. */
const router = useRouter()
const session = useSession()
const token = useToken()
const leads = ref<{ readonly studioName: string; readonly email: string; readonly role: string } | null>(null)
const problem = ref('')
async function look(): Promise<void> {
  problem.value = ''
  try {
    leads.value = await request('POST', '/join/look', { token: token.value })
  } catch (error) {
    problem.value = saidOf(error, 'open the link again')
  }
}
watch(token, look, { immediate: true })
const { form, submit } = useForm(() => ({ name: saidField(), password: saidField('', 1000) }))
async function join(): Promise<void> {
  const password = form.fields.password.text
  const done = await submit(({ name }) =>
    answered(() => request('POST', '/join', { token: token.value, name, password })),
  )
  if (!done || !leads.value) return
  await session.signIn(leads.value.email, password)
  await router.push({ name: 'day' })
}
</script>

<template>
  <DoorFrame>
    <h1>{{ leads ? `Come into ${leads.studioName}` : 'An invitation' }}</h1>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
    <p v-if="problem"><router-link :to="{ name: 'sign-in' }">Sign in</router-link></p>
    <template v-if="leads">
      <p class="quiet">As {{ leads.role.toLowerCase() }}, with the email {{ leads.email }}.</p>
      <form novalidate class="sign-in-form" @submit.prevent="join">
        <FieldText :field="form.fields.name" label="Your name" autocomplete="name" />
        <FieldText
          :field="form.fields.password"
          label="Password"
          type="password"
          hint="At least 12 characters, a few words that do not belong together"
          autocomplete="new-password"
        />
        <p v-for="fault in form.faults" :key="fault" class="stop-line" role="alert">{{ fault }}</p>
        <el-button type="primary" native-type="submit" :loading="form.busy">Come in</el-button>
      </form>
    </template>
  </DoorFrame>
</template>
