<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, ref, watch, watchEffect } from 'vue'
import { useRouter } from 'vue-router'
import { add, schemaVersion } from '#core/makeover/change.ts'
import { blank } from '#core/makeover/blank.ts'
import { scopes, unitSystems } from '#core/makeover/choices.ts'
import { beginningOf, beginWith, readBeginning, usualRooms, type Beginning } from '#core/brief/index.ts'
import { countryCodes, currencyIn, habitsOf, unitsIn } from '#core/measure/habits.ts'
import { currencyCodes } from '#core/money/currencies.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { NoAnswer, Refused, request } from '../api.ts'
import { namedCountries } from '../parts/countries.ts'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldText from '../parts/FieldText.vue'
import FormDialog from '../parts/FormDialog.vue'
import { choiceField, maybeChoiceField, maybeDateField, saidField, textField, useForm } from '../parts/form.ts'
import { habits } from '../stores/habits.ts'
import type { Opened } from '../stores/makeover/view.ts'

const { today, earlier = [] } = defineProps<{
  today: PlainDate
  /** What there is already, to begin from. */
  earlier?: readonly { readonly id: string; readonly name: string }[]
}>()
const open = defineModel<boolean>({ required: true })
const router = useRouter()
type Template = { readonly id: string; readonly name: string; readonly holds: string }
const templates = ref<readonly Template[]>([])
const { form, submit } = useForm(() => ({
  name: saidField(),
  client: saidField(),
  room: saidField(),
  /** A template, an earlier makeover or a usual room; the templates come after the form. */
  start: textField(),
  country: maybeChoiceField(countryCodes, null),
  currency: choiceField(currencyCodes, 'EUR'),
  units: choiceField(unitSystems, 'metric'),
  scope: choiceField(scopes, 'decorate'),
  installOn: maybeDateField(null),
}))
// the templates come with the form: without an answer it opens without them
watch(open, async (isOpen) => {
  if (!isOpen) return
  templates.value = await request<Template[]>('GET', '/templates').catch(() => [])
})
const currencies = new Intl.DisplayNames('en', { type: 'currency' })
const countries = namedCountries()
const starts = computed(() => [
  ...templates.value.map(({ id, name }) => ({ value: id, label: `Template: ${name}` })),
  ...earlier.map(({ id, name }) => ({ value: id, label: `As ${name}` })),
  ...Object.keys(usualRooms).map((name) => ({ value: name, label: `${name}, what is usual` })),
])
watch(
  () => form.fields.country.text,
  (country) => {
    form.fields.currency.text = currencyIn(country) ?? form.fields.currency.text
    if (country !== '') form.fields.units.text = unitsIn(country)
  },
)
// the install date is read as people write dates where the makeover is
watchEffect(() => {
  if (open.value)
    habits.value = habitsOf(
      form.fields.country.text || null,
      form.fields.currency.text,
      form.fields.units.text === 'metric' ? 'metric' : 'feet and inches',
    )
})
async function beginningFrom(start: string): Promise<Beginning | null> {
  if (start === '') return null
  const template = templates.value.find(({ id }) => id === start)
  if (template) {
    const beginning = readBeginning(template.holds)
    if (!beginning) throw new RangeError(`“${template.name}” holds no beginning`)
    return beginning
  }
  return usualRooms[start] ?? beginningOf((await request<Opened>('GET', `/makeovers/${start}`)).makeover)
}

/** Made once, so that sending it again after a silence begins one makeover and not two. */
const ids = { makeover: uuidv7(), client: uuidv7(), room: uuidv7() }

async function begin(): Promise<void> {
  const done = await submit(async ({ name, client, room, start, country, currency, units, scope, installOn }) => {
    if (installOn !== null && installOn < today)
      return [{ field: 'installOn', message: 'lies in the past: expected today or later' }]
    let beginning: Beginning | null
    try {
      beginning = await beginningFrom(start)
    } catch {
      return [{ field: 'start', message: 'could not be read just now: try again, or begin without it' }]
    }
    const operations = [
      add('makeover', ids.makeover, {
        ...blank.makeover,
        name,
        currency,
        units,
        country,
        entryUnit: units === 'metric' ? 'mm' : 'in',
        scope,
        installOn,
      }),
      add('client', ids.client, { name: client }),
      add('room', ids.room, { uses: '', name: room }),
      ...(beginning ? beginWith(beginning, ids.room, uuidv7) : []),
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
    <FieldChoice
      :field="form.fields.start"
      label="Begin from"
      :options="starts"
      none="nothing: an empty brief"
      hint="Its needs, categories, schools and rules; what does not hold is struck out"
    />
    <div class="columns">
      <FieldChoice
        :field="form.fields.country"
        label="Country"
        :options="countries"
        none="as its currency says"
        hint="Dates, figures and paper as people there write them"
      />
      <FieldChoice
        :field="form.fields.currency"
        label="Currency"
        :options="currencyCodes.map((code) => ({ value: code, label: `${code} ${currencies.of(code) ?? ''}` }))"
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
