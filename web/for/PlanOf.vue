<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Presented } from '#core/client/presented.ts'
import AnswerTo from './AnswerTo.vue'
import type { Shown } from './guest.ts'

/** The plan of a room; a tap says where one means. */
const { plan, shown } = defineProps<{ plan: NonNullable<Presented['plans']>[number]; shown: Shown }>()
const emit = defineEmits<{ said: [shown: Shown] }>()
/** As a picture, so that nothing in it can act. */
const address = computed(() => `data:image/svg+xml;charset=utf-8,${encodeURIComponent(plan.svg)}`)
const at = ref<readonly [number, number] | null>(null)
function tap(event: MouseEvent): void {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  const share = (along: number, size: number): number => Math.min(1, Math.max(0, along / Math.max(1, size)))
  at.value = [share(event.clientX - box.left, box.width), share(event.clientY - box.top, box.height)]
}
const pins = computed(() => shown.replies.flatMap((reply) => (reply.atX === null || reply.atY === null ? [] : [reply])))
</script>

<template>
  <section :aria-label="`Plan of ${plan.room}`">
    <h2>The plan</h2>
    <p v-if="plan.firstSeen.length > 0">What you see first as you come in: {{ plan.firstSeen.join(', ') }}.</p>
    <button type="button" class="plan" :aria-label="`Plan of ${plan.room}: tap where you mean`" @click="tap">
      <img :src="address" :alt="`Plan of ${plan.room} with what stands there`" />
      <span
        v-for="(pin, number) in pins"
        :key="pin.id"
        class="pin"
        :style="{ left: `${100 * (pin.atX ?? 0)}%`, top: `${100 * (pin.atY ?? 0)}%` }"
        >{{ number + 1 }}</span
      >
      <span v-if="at" class="pin new" :style="{ left: `${100 * at[0]}%`, top: `${100 * at[1]}%` }">?</span>
    </button>
    <ol v-if="pins.length > 0" class="said">
      <li v-for="pin in pins" :key="pin.id">{{ pin.mine ? 'You' : pin.by }}: “{{ pin.words }}”</li>
    </ol>
    <AnswerTo
      v-if="at"
      name="this place"
      :shown="shown"
      :presentation-id="shown.version?.id ?? null"
      :at="at"
      @said="((at = null), emit('said', $event))"
    />
  </section>
</template>
