<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { useRouter } from 'vue-router'
import { add, schemaVersion } from '#core/makeover/change.ts'
import { blank } from '#core/makeover/blank.ts'
import { scopes, unitSystems } from '#core/makeover/choices.ts'
import { currencyCodes } from '#core/money/currencies.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { NoAnswer, Refused, request } from '../api.ts'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldText from '../parts/FieldText.vue'
import FormDialog from '../parts/FormDialog.vue'
import { choiceField, maybeDateField, saidField, useForm } from '../parts/form.ts'

const { today } = defineProps<{ today: PlainDate }>()
const open = defineModel<boolean>({ required: true })
const router = useRouter()
const { form, submit } = useForm(() => ({
  name: saidField(),
  client: saidField(),
  room: saidField(),
  currency: choiceField(currencyCodes, 'EUR'),
  units: choiceField(unitSystems, 'metric'),
  scope: choiceField(scopes, 'decorate'),
  installOn: maybeDateField(null),
}))
/** Made once, so that sending it again after a silence begins one makeover and not two. */
const ids = { makeover: uuidv7(), client: uuidv7(), room: uuidv7() }

async function begin(): Promise<void> {
  const done = await submit(async ({ name, client, room, currency, units, scope, installOn }) => {
    if (installOn !== null && installOn < today)
      return [{ field: 'installOn', message: 'lies in the past: expected today or later' }]
    const operations = [
      add('makeover', ids.makeover, {
        ...blank.makeover,
        name,
        currency,
        units,
        entryUnit: units === 'metric' ? 'mm' : 'in',
        scope,
        installOn,
      }),
      add('client', ids.client, { name: client }),
      add('room', ids.room, { name: room }),
    ]
    try {
      await request('POST', `/makeovers/${ids.makeover}/changes`, {
        id: uuidv7(),
        schemaVersion,
        sentence: `Began ${name}`,
        operations,
      })
      return []
    } catch (error) {
      if (error instanceof Refused && error.status === 409) return [] // an earlier try went through, and only its answer was lost
      if (error instanceof Refused) return error.problem.faults ?? [{ field: null, message: error.problem.detail }]
      if (error instanceof NoAnswer)
        return [{ field: null, message: 'No answer from the server. What you typed is still here: try again.' }]
      throw error
    }
  })
  if (done) await router.push({ name: 'brief', params: { id: ids.makeover } })
}
</script>

<template>
  <FormDialog
    v-model="open"
    title="Begin a makeover"
    action="Begin"
    :faults="form.faults"
    :busy="form.busy"
    @submit="begin"
  >
    <FieldText
      :field="form.fields.name"
      label="What it is called"
      hint="As you will find it again: the room and the house"
    />
    <div class="columns">
      <FieldText :field="form.fields.client" label="Client" />
      <FieldText :field="form.fields.room" label="Room" />
    </div>
    <div class="columns">
      <FieldChoice
        :field="form.fields.currency"
        label="Currency"
        :options="currencyCodes.map((code) => ({ value: code, label: code }))"
        hint="Fixed once there are sums"
      />
      <FieldChoice
        :field="form.fields.units"
        label="Units"
        :options="unitSystems.map((system) => ({ value: system, label: system }))"
      />
      <FieldChoice
        :field="form.fields.scope"
        label="Scope"
        :options="scopes.map((scope) => ({ value: scope, label: scope }))"
      />
      <FieldText :field="form.fields.installOn" label="Install date" optional hint="14 Mar 2027" />
    </div>
  </FormDialog>
</template>
