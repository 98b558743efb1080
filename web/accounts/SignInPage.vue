<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Family, Sheen } from '#core/makeover/choices.ts'
import { request } from '../api.ts'
import MaterialSwatch from '../parts/MaterialSwatch.vue'
import SignInForm from './SignInForm.vue'
import StudioForm from './StudioForm.vue'

const router = useRouter()
const route = useRoute()
const making = ref(false)
/** Whether strangers may make studios here; where nobody answers, it is offered and the server says. */
const registers = ref(true)
onMounted(async () => {
  const asked = await request<{ open: boolean }>('GET', '/registration').catch(() => ({ open: true }))
  registers.value = asked.open
})

function enter(): void {
  const then = typeof route.query.then === 'string' && /^\/(?!\/)/.test(route.query.then) ? route.query.then : '/'
  void router.push(then)
}

/** Materials without any colour of their own: the interface has none before a client brings hers. */
const grey = (family: Family, sheen: Sheen, labL: number, area: string) => ({
  family,
  sheen,
  labL,
  labA: 0,
  labB: 0,
  area,
})
const board = [
  grey('wood', 'satin', 58, '1 / 1 / 4 / 3'),
  grey('paint', 'matt', 84, '1 / 3 / 3 / 5'),
  grey('textile', 'matt', 38, '3 / 3 / 6 / 4'),
  grey('metal', 'satin', 70, '3 / 4 / 4 / 5'),
  grey('stone', 'satin', 78, '4 / 1 / 6 / 3'),
  grey('leather', 'satin', 26, '4 / 4 / 6 / 5'),
]
</script>

<template>
  <div class="sign-in">
    <div class="board" aria-hidden="true">
      <div v-for="part in board" :key="part.family" :style="{ gridArea: part.area }">
        <MaterialSwatch :finish="part" />
      </div>
    </div>
    <main>
      <div class="hang">
        <p class="wordmark serif">Bonitas</p>
        <p class="quiet lead">A room from the agreed budget to the last refund.</p>
        <template v-if="!making">
          <h1>Sign in</h1>
          <SignInForm @done="enter" />
          <p v-if="registers" class="other">
            New here? <button type="button" class="word" @click="making = true">Make a studio</button>
          </p>
        </template>
        <template v-else>
          <h1>Make a studio</h1>
          <StudioForm @done="enter" />
          <p class="other">
            Already have one? <button type="button" class="word" @click="making = false">Sign in</button>
          </p>
        </template>
      </div>
    </main>
  </div>
</template>

<style>
.sign-in {
  display: grid;
  grid-template-columns: minmax(0, 1.35fr) minmax(400px, 1fr);
  min-height: 100vh;
}
.sign-in .board {
  background: var(--ground);
  padding: 64px;
  display: grid;
  grid-template: repeat(5, 1fr) / repeat(4, 1fr);
}
.sign-in main {
  display: grid;
  align-items: center;
  padding: 40px 64px;
  border-left: 1px solid var(--rule);
}
.sign-in .hang {
  max-width: 360px;
  width: 100%;
  display: grid;
  gap: 8px;
}
.sign-in .wordmark {
  font-size: 44px;
  line-height: 48px;
  font-weight: 500;
  letter-spacing: -0.01em;
}
.sign-in .lead {
  margin-bottom: 28px;
  font-size: 15px;
}
.sign-in h1 {
  margin-bottom: 8px;
}
.sign-in .other {
  margin-top: 16px;
}
@media (max-width: 820px) {
  .sign-in {
    grid-template-columns: 1fr;
    grid-template-rows: 120px 1fr;
  }
  .sign-in .board {
    padding: 16px;
  }
  .sign-in main {
    padding: 24px;
    border: 0;
    align-items: start;
  }
}
</style>
