<script setup lang="ts">
import { useRouter } from 'vue-router'
import { useKeys } from '../frame/keys.ts'
import { useSession } from '../stores/session.ts'

/** The pages of the studio share a head, and the ways between them. */
const { title, says } = defineProps<{ title: string; says: string }>()
const router = useRouter()
const session = useSession()
const ways = [
  ['studio', 'People and files', () => true],
  ['studio-sellers', 'Sellers’ book', () => session.costs],
  ['studio-stock', 'Stock', () => session.costs],
  ['studio-record', 'Record and post', () => session.owns],
] as const
useKeys([{ key: '0', does: 'To the day page', run: () => void router.push({ name: 'day' }) }])
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
        <h1>{{ title }}</h1>
        <span class="quiet">{{ says }}</span>
        <nav class="page-ways" aria-label="Pages of the studio">
          <template v-for="[name, words, isShown] in ways" :key="name">
            <router-link
              v-if="isShown()"
              class="word"
              :class="{ here: $route.name === name }"
              :to="{ name }"
              :aria-current="$route.name === name ? 'page' : undefined"
              >{{ words }}</router-link
            >
          </template>
        </nav>
      </div>
      <slot />
    </main>
  </div>
</template>

<style>
.studio section + section {
  margin-top: 26px;
}
.studio .do-ways {
  text-align: right;
}
.studio .do-ways .word + .word {
  margin-left: 16px;
}
.studio td {
  overflow-wrap: anywhere;
}
</style>
