<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { roles, roleWords, type Role } from '#core/people/roles.ts'
import { request } from '../api.ts'
import { useKeys } from '../frame/keys.ts'
import { vCards } from '../parts/cards.ts'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldText from '../parts/FieldText.vue'
import FieldYes from '../parts/FieldYes.vue'
import FormDialog from '../parts/FormDialog.vue'
import { choiceField, saidField, useForm, yesField } from '../parts/form.ts'
import { useLive } from '../stores/live.ts'
import { useSession } from '../stores/session.ts'
import { answered, moment, useTelling } from '../parts/telling.ts'

/** Who works here and as what; an owner invites, gives another role, and takes out. */
type Person = {
  readonly id: string
  readonly name: string
  readonly email: string
  readonly role: Role
  readonly seesCosts: boolean
  readonly hasSecondFactor: boolean
  readonly removedAt: string | null
}
type Invitation = Pick<Person, 'id' | 'email' | 'role' | 'seesCosts'> & { readonly expiresAt: string }
const session = useSession()
const people = ref<readonly Person[]>([])
const invitations = ref<readonly Invitation[]>([])
async function load(): Promise<void> {
  people.value = await request<Person[]>('GET', '/people')
  if (session.owns) invitations.value = await request<Invitation[]>('GET', '/invitations')
}
const { said, failed, told } = useTelling(load)
onMounted(() => told(() => Promise.resolve('')))
useLive().hear((heard) => {
  if (heard.is === 'who') void told(() => Promise.resolve(said.value))
})
const here = computed(() => people.value.filter(({ removedAt }) => removedAt === null))
const gone = computed(() => people.value.filter(({ removedAt }) => removedAt !== null))
const asWhat = ({ role, seesCosts }: Pick<Person, 'role' | 'seesCosts'>): string =>
  `${roleWords[role].title}${role === 'looker-on' && !seesCosts ? ', without costs' : ''}`
const roleOptions = roles.map((role) => ({ value: role, label: `${roleWords[role].title}: ${roleWords[role].does}` }))

const inviting = ref(false)
/** Whose role is being changed. */
const changing = ref<Person | null>(null)
const { form, reset, submit } = useForm(() => ({
  email: saidField(changing.value?.email ?? '', 254),
  role: choiceField(roles, changing.value?.role ?? 'member'),
  seesCosts: yesField(changing.value?.seesCosts ?? false),
}))
const isLooker = computed(() => form.fields.role.text === 'looker-on')
function openForm(person: Person | null): void {
  changing.value = person
  reset()
  inviting.value = true
}
async function send(): Promise<void> {
  const whom = changing.value
  const done = await submit(({ email, role, seesCosts }) => {
    const standing = { role, seesCosts: role !== 'looker-on' || seesCosts }
    return answered(() =>
      whom
        ? request('POST', `/people/${whom.id}/role`, standing)
        : request('POST', '/invitations', { email, ...standing }),
    )
  })
  if (!done) return
  inviting.value = false
  await told(() =>
    Promise.resolve(
      whom
        ? `${whom.name} is ${asWhat({ role: form.fields.role.text as Role, seesCosts: form.fields.seesCosts.text === 'yes' }).toLowerCase()} now.`
        : `The invitation is in the post: it lies in the outbox, on the page Record and post.`,
    ),
  )
  await session.askAgain()
}
const leaving = ref<Person | null>(null)
const act = (path: string, words: string): Promise<void> =>
  told(async () => {
    await request('POST', `/people/${path}`, {})
    return words
  })
const takeOut = async (): Promise<void> => {
  const whom = leaving.value
  leaving.value = null
  if (whom) await act(`${whom.id}/removal`, `${whom.name} is out. What they did stays under their name.`)
}
const takeBack = ({ id, email }: Invitation): Promise<void> =>
  told(async () => {
    await request('DELETE', `/invitations/${id}`)
    return `The invitation to ${email} opens nothing any more.`
  })
useKeys([{ key: 'n', does: 'Invite somebody', run: () => session.owns && openForm(null) }])
</script>

<template>
  <section aria-labelledby="people-title">
    <div class="section-head">
      <h2 id="people-title">People</h2>
      <button v-if="session.owns" type="button" class="word" @click="openForm(null)">
        Invite somebody<kbd aria-hidden="true">N</kbd>
      </button>
    </div>
    <p v-if="said" :class="failed ? 'stop-line' : ''" role="status">{{ said }}</p>
    <table v-cards>
      <thead>
        <tr>
          <th scope="col">Name</th>
          <th scope="col">Email</th>
          <th scope="col">Here as</th>
          <th scope="col">Second factor</th>
          <th scope="col"><span class="visually-hidden">What to do</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="entry in here" :key="entry.id">
          <td>
            <strong>{{ entry.name }}</strong>{{ ' '
            }}<span v-if="entry.id === session.person?.personId" class="quiet">you</span>
          </td>
          <td>{{ entry.email }}</td>
          <td>{{ asWhat(entry) }}</td>
          <td>{{ entry.hasSecondFactor ? 'on' : 'off' }}</td>
          <td class="do-ways">
            <template v-if="session.owns">
              <button type="button" class="word" :aria-label="`Role of ${entry.name}`" @click="openForm(entry)">
                Role
              </button>
              <template v-if="entry.id !== session.person?.personId">
                <button
                  type="button"
                  class="word"
                  :aria-label="`Sign ${entry.name} out everywhere`"
                  @click="act(`${entry.id}/sign-out`, `${entry.name} is signed out everywhere.`)"
                >
                  Sign out
                </button>
                <button
                  v-if="entry.hasSecondFactor"
                  type="button"
                  class="word"
                  :aria-label="`Take the second factor of ${entry.name} away`"
                  @click="act(`${entry.id}/second-factor-off`, `${entry.name} comes in by the password alone now.`)"
                >
                  Factor lost
                </button>
                <button type="button" class="word" :aria-label="`Take ${entry.name} out`" @click="leaving = entry">
                  Take out
                </button>
              </template>
              <a
                class="word"
                :href="`/api/people/${entry.id}/data`"
                :aria-label="`What is kept of ${entry.name}, as a file`"
                >What is kept</a
              >
            </template>
          </td>
        </tr>
      </tbody>
    </table>
    <template v-if="invitations.length > 0">
      <h3>Invited</h3>
      <ul class="plain-lines">
        <li v-for="invitation in invitations" :key="invitation.id">
          <strong>{{ invitation.email }}</strong>, {{ asWhat(invitation).toLowerCase() }}; open until
          {{ moment(invitation.expiresAt) }}
          <button
            type="button"
            class="word"
            :aria-label="`Take the invitation to ${invitation.email} back`"
            @click="takeBack(invitation)"
          >
            Take it back
          </button>
        </li>
      </ul>
    </template>
    <p v-if="gone.length > 0" class="quiet">Worked here: {{ gone.map(({ name }) => name).join(', ') }}.</p>
    <FormDialog
      v-model="inviting"
      :title="changing ? `What ${changing.name} does here` : 'Invite somebody'"
      :action="changing ? 'Change it' : 'Write the invitation'"
      :faults="form.faults"
      :busy="form.busy"
      @submit="send"
    >
      <FieldText v-if="!changing" :field="form.fields.email" label="Email" type="email" autocomplete="off" />
      <FieldChoice :field="form.fields.role" label="Here as" :options="roleOptions" />
      <FieldYes v-if="isLooker" :field="form.fields.seesCosts" label="Sees what things cost" />
      <p v-if="isLooker" class="quiet">
        Without costs no price, discount, budget or bill is sent to them. What somebody wrote into a note stands as it
        was written.
      </p>
      <p v-if="!changing" class="quiet">
        They get a letter with a link that lets one person in, once, within fourteen days, and choose their own
        password.
      </p>
    </FormDialog>
    <el-dialog
      :model-value="leaving !== null"
      :title="`Take ${leaving?.name ?? ''} out`"
      :width="440"
      append-to-body
      align-center
      @update:model-value="leaving = null"
    >
      <p>
        They are signed out everywhere at once, and nothing lets them in again but a new invitation. What they did stays
        in the history under their name.
      </p>
      <template #footer>
        <el-button @click="leaving = null">Leave it</el-button>
        <el-button type="primary" @click="takeOut">Take out</el-button>
      </template>
    </el-dialog>
  </section>
</template>
