<script setup lang="ts">
import { defineAsyncComponent, type Component } from 'vue'
import { useSession } from './stores/session.ts'
import { said } from './stores/said.ts'
import { useViewing } from './stores/viewing.ts'

useViewing()
const session = useSession()
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
