<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { hasPasskeys, KeyRefused, makeKey, type Passkey } from '../accounts/passkey.ts'
import { request } from '../api.ts'
import FieldText from '../parts/FieldText.vue'
import FormDialog from '../parts/FormDialog.vue'
import { saidField, useForm } from '../parts/form.ts'
import { answered, moment, useTelling } from '../parts/telling.ts'

/** One’s own passkeys: each lets in without a password, by the finger, face or number of a device. */
const keys = ref<readonly Passkey[]>([])
const { said, failed, told } = useTelling(async () => {
  keys.value = await request<Passkey[]>('GET', '/passkeys')
})
onMounted(() => told(() => Promise.resolve('')))
const forget = ({ id, name }: Passkey): Promise<void> =>
  told(async () => {
    await request('DELETE', `/passkeys/${encodeURIComponent(id)}`)
    return `${name} opens nothing here any more.`
  })
const making = ref(false)
const { form, reset, submit } = useForm(() => ({ name: saidField('This device', 60), password: saidField('', 1000) }))
function open(): void {
  reset()
  making.value = true
}
async function make(): Promise<void> {
  const done = await submit(async ({ name }) => {
    try {
      return await answered(async () => {
        keys.value = await makeKey(form.fields.password.text, name)
      })
    } catch (error) {
      if (error instanceof KeyRefused) return [{ field: null, message: error.message }]
      throw error
    }
  })
  if (done) making.value = false
}
</script>

<template>
  <section aria-labelledby="passkeys-title">
    <div class="section-head">
      <h2 id="passkeys-title">Your passkeys</h2>
      <button v-if="hasPasskeys()" type="button" class="word" @click="open">Make one for this device</button>
    </div>
    <p v-if="said" :class="failed ? 'stop-line' : ''" role="status">{{ said }}</p>
    <p v-if="!hasPasskeys()" class="quiet">
      Passkeys want an address with a name, such as localhost on this machine: at this one there are none.
    </p>
    <p v-else-if="keys.length === 0" class="quiet">
      A key that this device keeps lets you in by finger, face or its number, with no password typed.
    </p>
    <ul v-if="keys.length > 0" class="plain-lines" aria-label="Passkeys">
      <li v-for="key in keys" :key="key.id">
        <strong>{{ key.name }}</strong>, made {{ moment(key.madeAt)
        }}<template v-if="key.lastUsedAt">, used {{ moment(key.lastUsedAt) }}</template>
        <button type="button" class="word" :aria-label="`Forget the passkey ${key.name}`" @click="forget(key)">
          Forget it
        </button>
      </li>
    </ul>
    <FormDialog
      v-model="making"
      title="A passkey for this device"
      action="Make it"
      :faults="form.faults"
      :busy="form.busy"
      @submit="make"
    >
      <FieldText :field="form.fields.name" label="What to call it" />
      <FieldText :field="form.fields.password" label="Your password" type="password" autocomplete="current-password" />
    </FormDialog>
  </section>
</template>
