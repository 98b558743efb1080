<script setup lang="ts"></script>

<template>
  <main class="nowhere">
    <h1>Nothing is here</h1>
    <p>The address leads to no page, or to a makeover of another studio.</p>
    <p><router-link :to="{ name: 'day' }">To your makeovers</router-link></p>
  </main>
</template>

<style>
.nowhere {
  max-width: 480px;
  margin: 18vh auto;
  padding: 0 24px;
  display: grid;
  gap: 12px;
}
</style>
