<script setup lang="ts">
import { computed } from 'vue'
import type { Arranging, What } from './arranging.ts'

/** Arrangements of a room: looked for with how far it is, laid over the plan one by one, and taken or kept. */
const { arranging } = defineProps<{ arranging: Arranging }>()
const whats: readonly What[] = ['what waits at the door', 'all that is not pinned']
const { tried, found, at, what, items, problem, run, stop, take, keep } = arranging
const percent = computed(() => (tried.value ? Math.round((100 * tried.value.done) / tried.value.all) : 0))
const wrongOf = (stops: number, looks: number, left: number): string =>
  [
    stops > 0 ? `${stops} to stop at` : '',
    looks > 0 ? `${looks} to look at` : '',
    left > 0 ? `${left} without a place` : '',
  ]
    .filter((words) => words !== '')
    .join(', ') || 'nothing wrong'
</script>

<template>
  <section aria-labelledby="arrange">
    <div class="section-head">
      <h2 id="arrange">Arranged for you <span class="quiet">three ways that differ; what is pinned stays</span></h2>
      <button
        v-for="known in whats"
        :key="known"
        type="button"
        class="word"
        :class="{ here: what === known }"
        :aria-pressed="what === known"
        :disabled="tried !== null"
        @click="what = known"
      >
        {{ known }}
      </button>
    </div>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
    <div v-if="tried" class="arranging" role="status">
      <progress :value="percent" max="100" aria-label="How far the arranging is" />
      <span>{{ percent }} %</span>
      <el-button @click="stop">That is enough</el-button>
    </div>
    <p v-else>
      <el-button type="primary" :disabled="items.length === 0" @click="run">{{
        found ? 'Try again' : 'Arrange for me'
      }}</el-button>
      <span class="quiet">
        {{
          items.length === 0
            ? what === 'what waits at the door'
              ? 'Nothing waits at the door.'
              : 'Everything is pinned.'
            : `${items.length} ${items.length === 1 ? 'thing' : 'things'}`
        }}</span
      >
    </p>
    <p v-if="found && found.length === 0">
      No way was found to place them. Take something out, or choose smaller ones.
    </p>
    <ol v-else-if="found" class="arrangements">
      <li v-for="(way, index) in found" :key="index" :class="{ here: index === at }">
        <button type="button" class="word" :aria-pressed="index === at" @click="at = index">
          Way {{ index + 1 }}: {{ wrongOf(way.stops, way.looks, way.left) }}
        </button>
        <ul>
          <li v-for="reason in way.reasons" :key="reason">{{ reason }}</li>
        </ul>
        <p v-if="index === at">
          <el-button type="primary" @click="take">Take it</el-button>
          <el-button @click="keep">Keep it as another layout</el-button>
        </p>
      </li>
    </ol>
  </section>
</template>
