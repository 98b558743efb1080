<script setup lang="ts">
import { defineAsyncComponent, type Component } from 'vue'
import { useEventListener } from '@vueuse/core'
import { useRoute } from 'vue-router'
import { request } from './api.ts'
import { useSession } from './stores/session.ts'
import { said } from './stores/said.ts'
import { useViewing } from './stores/viewing.ts'

useViewing()
const session = useSession()
// what leaves the screen on paper stands in the record; nobody waits for it
const route = useRoute()
useEventListener(window, 'afterprint', () => {
  const { id } = route.params
  if (session.person)
    void request('POST', '/record/prints', { makeoverId: typeof id === 'string' ? id : null }).catch(() => undefined)
})
const SignInAgain = defineAsyncComponent<Component>(() => import('./accounts/SignInAgain.vue'))
</script>

<template>
  <router-view />
  <SignInAgain v-if="session.ranOut" />
  <p class="said-below" role="status">{{ said }}</p>
</template>

<style>
.said-below {
  position: fixed;
  left: 50%;
  bottom: 16px;
  z-index: 3000;
  transform: translateX(-50%);
  max-width: calc(100vw - 32px);
  padding: 8px 16px;
  background: var(--ink);
  color: var(--paper);
}
.said-below:empty {
  display: none;
}
</style>
