<script setup lang="ts">
import { Refused } from '../api.ts'
import FieldText from '../parts/FieldText.vue'
import { saidField, useForm } from '../parts/form.ts'
import { useSession } from '../stores/session.ts'

const emit = defineEmits<{ done: [] }>()
const session = useSession()
const { form, submit } = useForm(() => ({
  studioName: saidField(),
  name: saidField(),
  email: saidField('', 254),
  password: saidField('', 1000),
  timeZone: saidField(Intl.DateTimeFormat().resolvedOptions().timeZone, 60),
}))

async function make(): Promise<void> {
  const done = await submit(async (values) => {
    try {
      await session.makeStudio({ ...values, password: form.fields.password.text })
      return []
    } catch (error) {
      if (error instanceof Refused) return error.problem.faults ?? [{ field: null, message: error.problem.detail }]
      return [{ field: null, message: 'No answer from the server. What you typed is still here: try again.' }]
    }
  })
  if (done) emit('done')
}
</script>

<template>
  <form novalidate class="sign-in-form" @submit.prevent="make">
    <FieldText :field="form.fields.studioName" label="Studio" autocomplete="organization" />
    <FieldText :field="form.fields.name" label="Your name" autocomplete="name" />
    <FieldText :field="form.fields.email" label="Email" type="email" autocomplete="username" />
    <FieldText
      :field="form.fields.password"
      label="Password"
      type="password"
      hint="At least 12 characters, a few words that do not belong together"
      autocomplete="new-password"
    />
    <FieldText
      :field="form.fields.timeZone"
      label="Time zone"
      hint="Decides what day it is for order and return dates"
    />
    <p v-for="fault in form.faults" :key="fault" class="stop-line" role="alert">{{ fault }}</p>
    <el-button type="primary" native-type="submit" :loading="form.busy">Make the studio</el-button>
  </form>
</template>
