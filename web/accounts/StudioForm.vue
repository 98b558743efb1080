<script setup lang="ts">
import { Refused } from '../api.ts'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldText from '../parts/FieldText.vue'
import { choiceField, saidField, useForm } from '../parts/form.ts'
import { useSession } from '../stores/session.ts'

const emit = defineEmits<{ done: [] }>()
const session = useSession()
/** The zones that this browser knows, its own proposed. */
const here = Intl.DateTimeFormat().resolvedOptions().timeZone
const zones = [...new Set([here, 'UTC', ...Intl.supportedValuesOf('timeZone')])].sort()
const { form, submit } = useForm(() => ({
  studioName: saidField(),
  name: saidField(),
  email: saidField('', 254),
  password: saidField('', 1000),
  timeZone: choiceField(zones, here),
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
    <FieldChoice
      :field="form.fields.timeZone"
      :options="zones.map((zone) => ({ value: zone, label: zone.replaceAll('_', ' ') }))"
      label="Time zone"
      hint="Decides what day it is for order and return dates"
    />
    <p v-for="fault in form.faults" :key="fault" class="stop-line" role="alert">{{ fault }}</p>
    <el-button type="primary" native-type="submit" :loading="form.busy">Make the studio</el-button>
  </form>
</template>
