<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { toDataURL } from 'qrcode'
import { NoAnswer, Refused, request } from '../api.ts'
import FieldText from '../parts/FieldText.vue'
import FormDialog from '../parts/FormDialog.vue'
import { saidField, useForm } from '../parts/form.ts'
import { useKeys } from '../frame/keys.ts'
import { useSession } from '../stores/session.ts'
import ImportSection from './ImportSection.vue'
import LeavingSection from './LeavingSection.vue'
import RecordSection from './RecordSection.vue'
import SignedIn from './SignedIn.vue'

/** What belongs to the studio and to no makeover: its people, how a phone reaches it, what leaves and comes in as files. */
type Person = { readonly id: string; readonly name: string; readonly email: string }
type Reach = { readonly open: boolean; readonly secure: boolean; readonly addresses: readonly string[] }
const router = useRouter()
const session = useSession()
const people = ref<readonly Person[]>([])
const reach = ref<Reach | null>(null)
const codes = ref<Readonly<Record<string, string>>>({})
const failed = ref(false)

async function load(): Promise<void> {
  try {
    ;[people.value, reach.value] = await Promise.all([
      request<Person[]>('GET', '/people'),
      request<Reach>('GET', '/reach'),
    ])
    codes.value = Object.fromEntries(
      await Promise.all(
        reach.value.addresses.map(
          async (address) =>
            [
              address,
              await toDataURL(address, { margin: 2, width: 168, color: { dark: '#191919', light: '#ffffff' } }),
            ] as const,
        ),
      ),
    )
    failed.value = false
  } catch {
    failed.value = true
  }
}
onMounted(load)

const adding = ref(false)
const { form, reset, submit } = useForm(() => ({
  name: saidField(),
  email: saidField('', 254),
  password: saidField('', 1000),
}))
function openForm(): void {
  reset()
  adding.value = true
}
async function letIn(): Promise<void> {
  const done = await submit(async (values) => {
    try {
      await request('POST', '/people', { ...values, password: form.fields.password.text })
      return []
    } catch (error) {
      if (error instanceof Refused) return error.problem.faults ?? [{ field: null, message: error.problem.detail }]
      if (error instanceof NoAnswer)
        return [{ field: null, message: 'No answer from the server. What you typed is still here: try again.' }]
      throw error
    }
  })
  if (!done) return
  adding.value = false
  await load()
}
useKeys([
  { key: '0', does: 'To the day page', run: () => void router.push({ name: 'day' }) },
  { key: 'n', does: 'Let somebody in', run: openForm },
])
</script>

<template>
  <div class="day studio">
    <section class="studio-line" aria-label="Studio">
      <router-link :to="{ name: 'day' }" class="wordmark serif" aria-label="Bonitas, to all makeovers"
        >Bonitas</router-link
      >
      <span class="quiet">{{ session.person?.studioName }}</span>
      <span class="end"><router-link :to="{ name: 'day' }">All makeovers</router-link></span>
    </section>
    <main>
      <div class="page-head">
        <h1>Studio</h1>
        <span class="quiet">who works here, the phone, and what leaves and comes in as files</span>
      </div>
      <p v-if="failed" class="stop-line" role="alert">
        No answer from the server. <button type="button" class="word" @click="load">Try again</button>
      </p>

      <section aria-labelledby="people-title">
        <div class="section-head">
          <h2 id="people-title">People</h2>
          <button type="button" class="word" @click="openForm">Let somebody in<kbd aria-hidden="true">N</kbd></button>
        </div>
        <table v-cards>
          <thead>
            <tr>
              <th scope="col">Name</th>
              <th scope="col">Email</th>
              <th scope="col"><span class="visually-hidden">Who</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="entry in people" :key="entry.id">
              <td>
                <strong>{{ entry.name }}</strong>
              </td>
              <td>{{ entry.email }}</td>
              <td class="quiet">{{ entry.id === session.person?.personId ? 'you' : '' }}</td>
            </tr>
          </tbody>
        </table>
      </section>

      <SignedIn />

      <section aria-labelledby="phone-title">
        <div class="section-head"><h2 id="phone-title">On the phone</h2></div>
        <template v-if="reach?.open">
          <p v-if="reach.addresses.length > 0">
            With the phone in the same network, type one of these in its browser, or point its camera at the square.
          </p>
          <ul class="addresses">
            <li v-for="address in reach.addresses" :key="address">
              <img
                v-if="codes[address]"
                :src="codes[address]"
                :alt="`The address ${address} as a square to photograph`"
                width="168"
                height="168"
              /><strong>{{ address }}</strong>
            </li>
          </ul>
          <p v-if="reach.secure" class="quiet">
            The phone will say once that the connection is not private. That is because the certificate was made on this
            machine and not bought. Go on under “Details” or “Advanced”; docs/operations.md says how it comes to trust
            it for good.
          </p>
          <p v-else class="stop-line">
            This address is not HTTPS: passwords cross the air in the clear, and the phone keeps its camera shut.
          </p>
        </template>
        <template v-else>
          <p>
            Only this machine can reach Bonitas now. To use it on a phone in the same house, stop it and start it so:
          </p>
          <pre>npm start -- --empty --phone</pre>
          <p class="quiet">
            It makes a certificate on the spot. This page then shows the address to type, and a square to photograph.
            The demo is not shown to others, since anybody knows its password: hence --empty.
          </p>
        </template>
      </section>

      <section aria-labelledby="files-title">
        <div class="section-head"><h2 id="files-title">Files, out and in</h2></div>
        <p>
          <a href="/api/studio/export">All that this studio has, as one file</a>{{ ' ' }}
          <span class="quiet"
            >every makeover with its history and pictures, sellers, rules, people; no passwords. Each makeover in it can
            be brought in by itself.</span
          >
        </p>
        <ImportSection />
      </section>

      <RecordSection />

      <LeavingSection />
    </main>
    <FormDialog
      v-model="adding"
      title="Let somebody in"
      action="Let in"
      :faults="form.faults"
      :busy="form.busy"
      @submit="letIn"
    >
      <FieldText :field="form.fields.name" label="Name" autocomplete="off" />
      <FieldText :field="form.fields.email" label="Email" type="email" autocomplete="off" />
      <FieldText
        :field="form.fields.password"
        label="First password"
        type="password"
        hint="At least 12 characters, a few words that do not belong together; tell it them yourself"
        autocomplete="new-password"
      />
      <p class="quiet">
        They see and change every makeover of the studio, clients’ names and money too. What they do stands in the
        history under their name.
      </p>
    </FormDialog>
  </div>
</template>

<style>
.studio section + section {
  margin-top: 26px;
}
.studio .addresses {
  display: flex;
  flex-wrap: wrap;
  gap: 24px;
  margin: 10px 0;
}
.studio .addresses li {
  display: grid;
  gap: 6px;
}
.studio .addresses img {
  border: 1px solid var(--rule);
}
.studio pre {
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 8px 12px;
  overflow-x: auto;
}
</style>
