<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { toDataURL } from 'qrcode'
import { request } from '../api.ts'
import FieldText from '../parts/FieldText.vue'
import FormDialog from '../parts/FormDialog.vue'
import { saidField, useForm } from '../parts/form.ts'
import { useSession } from '../stores/session.ts'
import { answered, useTelling } from '../parts/telling.ts'

/** One’s own second factor: an app shows six figures, which the door asks for after the password. */
type Factor = { readonly on: boolean; readonly codesLeft: number }
const session = useSession()
const factor = ref<Factor | null>(null)
const { said, failed, told } = useTelling(async () => {
  factor.value = await request<Factor>('GET', '/second-factor')
})
onMounted(() => told(() => Promise.resolve('')))

/** What the password is asked for. */
const asking = ref<'on' | 'off' | 'codes' | null>(null)
const setUp = ref<{ readonly secret: string; readonly picture: string } | null>(null)
const codes = ref<readonly string[]>([])
const { form, reset, submit } = useForm(() => ({ password: saidField('', 1000) }))
const figures = useForm(() => ({ code: saidField('', 40) }))
const titles = { on: 'Set a second factor up', off: 'Turn it off', codes: 'Other recovery codes' } as const
function ask(what: 'on' | 'off' | 'codes'): void {
  reset()
  codes.value = []
  asking.value = what
}
async function go(): Promise<void> {
  const what = asking.value
  const body = { password: form.fields.password.text }
  const done = await submit(() =>
    answered(async () => {
      if (what === 'off') await request('POST', '/second-factor/off', body)
      else if (what === 'codes')
        codes.value = (await request<{ codes: string[] }>('POST', '/second-factor/codes', body)).codes
      else {
        const { secret, uri } = await request<{ secret: string; uri: string }>('POST', '/second-factor', body)
        figures.reset()
        setUp.value = { secret, picture: await toDataURL(uri, { margin: 2, width: 200 }) }
      }
    }),
  )
  if (!done) return
  asking.value = null
  reset()
  if (what === 'off') await told(() => Promise.resolve('The second factor is off.'))
  await session.askAgain()
}
async function confirm(): Promise<void> {
  const done = await figures.submit(({ code }) =>
    answered(async () => {
      codes.value = (await request<{ codes: string[] }>('POST', '/second-factor/confirm', { code })).codes
    }),
  )
  if (!done) return
  setUp.value = null
  await told(() => Promise.resolve('The second factor is on.'))
  await session.askAgain()
}
</script>

<template>
  <section aria-labelledby="factor-title">
    <div class="section-head">
      <h2 id="factor-title">Your second factor</h2>
      <template v-if="factor?.on">
        <button type="button" class="word" @click="ask('codes')">Other recovery codes</button>
        <button type="button" class="word" @click="ask('off')">Turn it off</button>
      </template>
      <button v-else type="button" class="word" @click="ask('on')">Set it up</button>
    </div>
    <p v-if="said" :class="failed ? 'stop-line' : ''" role="status">{{ said }}</p>
    <p v-if="factor?.on">
      After your password the six figures of your app are asked for. {{ factor.codesLeft }} recovery codes are left for
      when you lose it.
    </p>
    <p v-else class="quiet">
      With an app that shows six figures every half minute, your password alone lets nobody in.
    </p>
    <template v-if="codes.length > 0">
      <p>
        <strong>Write these down now; they are not shown again.</strong> Each lets you in once where the app is lost.
      </p>
      <ol class="codes" aria-label="Recovery codes">
        <li v-for="code in codes" :key="code">{{ code }}</li>
      </ol>
      <button type="button" class="word" @click="codes = []">I have them</button>
    </template>
    <FormDialog
      :model-value="asking !== null"
      :title="titles[asking ?? 'on']"
      action="Go on"
      :faults="form.faults"
      :busy="form.busy"
      @update:model-value="asking = null"
      @submit="go"
    >
      <FieldText :field="form.fields.password" label="Your password" type="password" autocomplete="current-password" />
    </FormDialog>
    <FormDialog
      :model-value="setUp !== null"
      title="Show this to your app"
      action="Turn it on"
      :faults="figures.form.faults"
      :busy="figures.form.busy"
      @update:model-value="setUp = null"
      @submit="confirm"
    >
      <p>Photograph the square with the app, or type the key. Then type the six figures that it shows.</p>
      <img v-if="setUp" :src="setUp.picture" alt="The key as a square to photograph" width="200" height="200" />
      <p class="key">{{ setUp?.secret.replace(/(.{4})/g, '$1 ') }}</p>
      <FieldText :field="figures.form.fields.code" label="Six figures" autocomplete="one-time-code" />
    </FormDialog>
  </section>
</template>

<style>
.studio .codes {
  columns: 2 200px;
  max-width: 460px;
  margin: 8px 0;
  font-variant-numeric: tabular-nums;
}
.studio .codes li,
.el-dialog .key {
  font-family: ui-monospace, monospace;
  letter-spacing: 0.04em;
}
</style>
