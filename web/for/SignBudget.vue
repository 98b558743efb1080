<script setup lang="ts">
import { ref, watch } from 'vue'
import type { Minor } from '#core/money/minor.ts'
import { writeMoney } from '#core/money/written.ts'
import { Refusal, sign, type Shown, type ToSign } from './guest.ts'

/** A budget, or a change of it, to be signed by typing one's name: exactly these words and figures. */
const { toSign, currency } = defineProps<{ toSign: ToSign; currency: string }>()
const emit = defineEmits<{ said: [shown: Shown] }>()
const looked = ref(toSign)
watch(
  () => toSign,
  (told) => (looked.value = told),
)
const name = ref('')
const problem = ref('')
const isBusy = ref(false)
const money = (amount: number): string => writeMoney(amount as Minor, currency)
async function put(): Promise<void> {
  if (isBusy.value) return
  problem.value = ''
  if (name.value.trim() === '') {
    problem.value = 'Type your name as you sign it.'
    return
  }
  isBusy.value = true
  try {
    emit('said', await sign(looked.value.id, name.value, looked.value.digest))
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    problem.value = error.message
    const told = error.more.toSign as ToSign | null | undefined
    if (told) looked.value = told
  } finally {
    isBusy.value = false
  }
}
</script>

<template>
  <section aria-labelledby="to-sign" class="sign">
    <h2 id="to-sign">
      {{ looked.number === 1 ? 'The budget, to be signed' : `A change of the budget, to be signed` }}
    </h2>
    <p v-if="looked.reason">{{ looked.reason }}</p>
    <dl class="sums">
      <div v-for="line in looked.sums" :key="line.category">
        <dt>{{ line.category }}</dt>
        <dd>{{ money(line.amount) }}</dd>
      </div>
      <div>
        <dt>For what nobody foresees</dt>
        <dd>{{ money(looked.contingency) }}</dd>
      </div>
      <div class="whole">
        <dt>In all</dt>
        <dd>{{ money(looked.whole) }}</dd>
      </div>
    </dl>
    <form @submit.prevent="put">
      <label>Your name, as your signature <input v-model="name" autocomplete="name" maxlength="120" /></label>
      <button type="submit" :disabled="isBusy">Sign</button>
    </form>
    <p v-if="problem" role="alert" class="problem">{{ problem }}</p>
    <p class="quiet digest">
      These words and figures bear the digest {{ looked.digest.slice(0, 16) }}…, which is kept with your signature.
    </p>
  </section>
</template>
