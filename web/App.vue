<script setup lang="ts">
import { defineAsyncComponent, type Component } from 'vue'
import { useSession } from './stores/session.ts'
import { useViewing } from './stores/viewing.ts'

useViewing()
const session = useSession()
const SignInAgain = defineAsyncComponent<Component>(() => import('./accounts/SignInAgain.vue'))
</script>

<template>
  <router-view />
  <SignInAgain v-if="session.ranOut" />
</template>
