<script setup lang="ts">
import { grounds, useViewing } from '../stores/viewing.ts'

/** The neutral ground that finishes are looked at on. */
const viewing = useViewing()
</script>

<template>
  <span class="grounds" role="group" aria-label="Ground behind finishes">
    <span class="quiet">Ground</span>
    <template v-for="(ground, at) in grounds" :key="ground">
      <span v-if="at > 0" aria-hidden="true" class="quiet">·</span>
      <button type="button" class="bare" :aria-pressed="viewing.ground === ground" @click="viewing.ground = ground">
        {{ ground }}
      </button>
    </template>
  </span>
</template>

<style>
.grounds {
  display: inline-flex;
  gap: 2px;
  font-size: 12px;
  align-items: center;
}
.grounds > :first-child {
  margin-right: 3px;
}
.grounds button {
  min-height: 24px;
  min-width: 24px;
  text-align: center;
}
.grounds [aria-pressed='true'] {
  font-weight: 700;
  text-decoration: underline;
  text-underline-offset: 3px;
}
</style>
