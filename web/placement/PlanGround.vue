<script setup lang="ts">
import { computed } from 'vue'
import type { Body, Outline, Setting } from '#core/placement/index.ts'
import type { Cover } from './materials.ts'

/** What of the plan lies still while a hand moves a thing: floor, zones, and all that stands, on a layer of its own. */
const { bodies, look, wrongIds } = defineProps<{
  setting: Setting
  bodies: readonly Body[]
  /** Another layout that lies under this one. */
  under: readonly Body[]
  covers: ReadonlyMap<string, Cover>
  /** Things that stop, by their ids, parted by spaces. */
  wrongIds: string
  selectedId: string
  /** What is in the hand: drawn above, where it would stand. */
  heldId: string
  look: { readonly hidden: ReadonlySet<string> } | null
  path: (points: Outline, isClosed?: boolean) => string
}>()
const emit = defineEmits<{ take: [id: string, event: PointerEvent]; pick: [id: string]; letGo: [] }>()
/** Rugs lie under what stands. */
const drawn = computed(() =>
  bodies.toSorted(
    (left, right) => Number(right.thing?.flat ?? false) - Number(left.thing?.flat ?? false) || left.top - right.top,
  ),
)
const wrong = computed(() => new Set(wrongIds.split(' ')))
</script>

<template>
  <g>
    <defs>
      <pattern
        v-for="cover in covers.values()"
        :id="`cover-${cover.id}`"
        :key="cover.id"
        patternUnits="userSpaceOnUse"
        width="900"
        height="900"
      >
        <rect width="900" height="900" :fill="cover.hex" />
        <image v-if="cover.tile" :href="cover.tile" width="900" height="900" preserveAspectRatio="none" />
      </pattern>
    </defs>
    <path :d="path(setting.outline)" class="plan-floor" @click="emit('letGo')" />
    <template v-for="{ row, outline } in setting.room.zones" :key="row.id">
      <g v-if="outline" class="plan-zone">
        <path :d="path(outline)" />
      </g>
    </template>
    <path v-for="body in under" :key="body.id" :d="path(body.outline)" class="plan-under" />
    <path v-for="built in setting.built" :key="built.id" :d="path(built.outline)" class="plan-built" />
    <g
      v-for="body in drawn"
      :key="body.id"
      class="plan-thing"
      :class="{
        taken: body.id === selectedId,
        stop: wrong.has(body.id),
        above: body.low > 1900,
        unseen: look?.hidden.has(body.id),
        held: body.id === heldId,
      }"
      tabindex="0"
      role="button"
      :aria-label="body.name"
      :aria-pressed="body.id === selectedId"
      @pointerdown="emit('take', body.id, $event)"
      @focus="emit('pick', body.id)"
    >
      <path :d="path(body.outline)" :fill="body.thing ? `url(#cover-${body.thing.piece.id})` : '#fff'" />
    </g>
  </g>
</template>
