<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { request } from '../api.ts'
import { moment, useTelling } from '../parts/telling.ts'

/** Makeovers that are done with: out of the day page, to be looked at, and taken up again. */
type Line = { readonly id: string; readonly name: string }
const lines = ref<readonly Line[]>([])
const archived = ref<readonly (Line & { readonly archivedAt: string })[]>([])
const { said, failed, told } = useTelling(async () => {
  const [day, archive] = await Promise.all([
    request<{ makeovers: readonly Line[] }>('GET', '/day'),
    request<readonly (Line & { readonly archivedAt: string })[]>('GET', '/archive'),
  ])
  lines.value = day.makeovers
  archived.value = archive
})
onMounted(() => told(() => Promise.resolve('')))
const lay = ({ id, name }: Line): Promise<void> =>
  told(async () => {
    await request('POST', `/makeovers/${id}/archive`)
    return `${name} is in the archive.`
  })
const takeUp = ({ id, name }: Line): Promise<void> =>
  told(async () => {
    await request('POST', `/makeovers/${id}/take-up`)
    return `${name} is under way again.`
  })
</script>

<template>
  <section aria-labelledby="archive-title">
    <div class="section-head"><h2 id="archive-title">Archive</h2></div>
    <p class="quiet">
      What is done with leaves the day page and is kept as it is, with its history. To begin another like it, choose it
      under “Begin a makeover”, or keep it as a template on its brief.
    </p>
    <p v-if="said" :class="failed ? 'stop-line' : ''" role="status">{{ said }}</p>
    <ul class="plain-lines" aria-label="Under way">
      <li v-for="line in lines" :key="line.id">
        <strong>{{ line.name }}</strong>{{ ' ' }}
        <button type="button" class="word" :aria-label="`Lay ${line.name} into the archive`" @click="lay(line)">
          Into the archive
        </button>
      </li>
    </ul>
    <ul v-if="archived.length > 0" class="plain-lines" aria-label="In the archive">
      <li v-for="line in archived" :key="line.id">
        <router-link :to="{ name: 'brief', params: { id: line.id } }">{{ line.name }}</router-link>, since
        {{ moment(line.archivedAt) }}
        <button type="button" class="word" :aria-label="`Take ${line.name} up again`" @click="takeUp(line)">
          Take it up again
        </button>
      </li>
    </ul>
  </section>
</template>
