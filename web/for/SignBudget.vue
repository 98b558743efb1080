<script setup lang="ts">
import { ref, watch } from 'vue'
import type { Minor } from '#core/money/minor.ts'
import { writeMoney } from '#core/money/written.ts'
import { Refusal, sign, type Shown, type ToSign } from './guest.ts'
import TypeName from './TypeName.vue'

/** A budget, or a change of it, to be signed by typing one's name: exactly these words and figures. */
const { toSign, currency } = defineProps<{ toSign: ToSign; currency: string }>()
const emit = defineEmits<{ said: [shown: Shown] }>()
const looked = ref(toSign)
watch(
  () => toSign,
  (told) => (looked.value = told),
)
const money = (amount: number): string => writeMoney(amount as Minor, currency)
async function put(name: string): Promise<string> {
  try {
    emit('said', await sign(looked.value.id, name, looked.value.digest))
    return ''
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    const told = error.more.toSign as ToSign | null | undefined
    if (told) looked.value = told
    return error.message
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
    <TypeName button="Sign" :digest="looked.digest" :put="put" />
  </section>
</template>
