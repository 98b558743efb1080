<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { writeDate } from '#core/measure/plain-date.ts'
import type { Minor } from '#core/money/minor.ts'
import { writeMoney } from '#core/money/written.ts'
import { close, Refusal, type Shown, type ToClose } from './guest.ts'
import TypeName from './TypeName.vue'

/** The closing statement, to be signed by typing one's name: exactly these figures, line by line. */
const { toClose } = defineProps<{ toClose: ToClose }>()
const emit = defineEmits<{ said: [shown: Shown] }>()
const looked = ref(toClose)
watch(
  () => toClose,
  (told) => (looked.value = told),
)
const told = computed(() => looked.value.statement)
const money = (amount: number): string => writeMoney(amount as Minor, told.value.currency)
const spent = computed(() => told.value.categories.filter(({ forecast, agreed }) => forecast !== 0 || agreed !== 0))
async function put(name: string): Promise<string> {
  try {
    emit('said', await close(looked.value.id, name, looked.value.digest))
    return ''
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    const changed = error.more.toClose as ToClose | null | undefined
    if (changed) looked.value = changed
    return error.message
  }
}
</script>

<template>
  <section aria-labelledby="to-close" class="sign">
    <h2 id="to-close">The account, to be closed</h2>
    <p>As it stands on {{ writeDate(told.asOf) }}. With your name under it nothing more is bought or billed.</p>
    <dl class="sums">
      <div v-for="line in spent" :key="line.name">
        <dt>{{ line.name }}</dt>
        <dd>{{ money(line.forecast) }}</dd>
      </div>
      <div class="whole">
        <dt>Agreed</dt>
        <dd>{{ money(told.total.agreed) }}</dd>
      </div>
      <div class="whole">
        <dt>Spent</dt>
        <dd>{{ money(told.total.forecast) }}</dd>
      </div>
      <div class="whole">
        <dt>Not spent</dt>
        <dd>{{ money(told.total.agreed - told.total.forecast) }}</dd>
      </div>
    </dl>
    <details>
      <summary>Every line of it</summary>
      <ul class="plain">
        <li v-for="(line, at) in told.lines" :key="at">
          {{ line.piece
          }}<span class="quiet">, {{ line.thing }}, {{ line.seller }}, {{ writeDate(line.orderedOn) }}: </span
          >{{ money(line.owed) }}
        </li>
        <li v-for="(fee, at) in told.fees" :key="`fee ${at}`">
          {{ fee.name }}<span class="quiet">, {{ fee.countedBy }}: </span>{{ money(fee.earned) }}
        </li>
      </ul>
    </details>
    <TypeName button="Sign and close" :digest="looked.digest" :put="put" />
  </section>
</template>
