<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { toDataURL } from 'qrcode'
import { request } from '../api.ts'
import { useSession } from '../stores/session.ts'
import ArchiveSection from './ArchiveSection.vue'
import ImportSection from './ImportSection.vue'
import KeptSection from './KeptSection.vue'
import LeavingSection from './LeavingSection.vue'
import PasskeySection from './PasskeySection.vue'
import PeopleSection from './PeopleSection.vue'
import SecondFactor from './SecondFactor.vue'
import SignedIn from './SignedIn.vue'
import StudioFrame from './StudioFrame.vue'

/** What belongs to the studio and to no makeover: its people, how a phone reaches it, what leaves and comes in as files. */
type Reach = { readonly open: boolean; readonly secure: boolean; readonly addresses: readonly string[] }
const session = useSession()
const reach = ref<Reach | null>(null)
const codes = ref<Readonly<Record<string, string>>>({})
const failed = ref(false)
/** Who works on makeovers brings them in and lays them away. */
const works = (): boolean => ['owner', 'member'].includes(session.person?.role ?? '')

async function load(): Promise<void> {
  try {
    reach.value = await request<Reach>('GET', '/reach')
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
</script>

<template>
  <StudioFrame title="Studio" says="who works here, the phone, and what leaves and comes in as files">
    <p v-if="failed" class="stop-line" role="alert">
      No answer from the server. <button type="button" class="word" @click="load">Try again</button>
    </p>
    <PeopleSection />
    <SignedIn />
    <SecondFactor />
    <PasskeySection />
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
          machine and not bought. Go on under “Details” or “Advanced”; docs/operations.md says how it comes to trust it
          for good.
        </p>
        <p v-else class="stop-line">
          This address is not HTTPS: passwords cross the air in the clear, and the phone keeps its camera shut.
        </p>
      </template>
      <template v-else>
        <p>Only this machine can reach Bonitas now. To use it on a phone in the same house, stop it and start it so:</p>
        <pre>npm start -- --empty --phone</pre>
        <p class="quiet">
          It makes a certificate on the spot. This page then shows the address to type, and a square to photograph. The
          demo is not shown to others, since anybody knows its password: hence --empty.
        </p>
      </template>
    </section>

    <section v-if="works()" aria-labelledby="files-title">
      <div class="section-head"><h2 id="files-title">Files, out and in</h2></div>
      <p v-if="session.owns">
        <a href="/api/studio/export">All that this studio has, as one file</a>{{ ' ' }}
        <span class="quiet"
          >every makeover with its history and pictures, sellers, rules, people; no passwords. Each makeover in it can
          be brought in by itself.</span
        >
      </p>
      <ImportSection />
    </section>

    <ArchiveSection v-if="works()" />
    <LeavingSection v-if="works()" />
    <KeptSection />
  </StudioFrame>
</template>

<style>
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
