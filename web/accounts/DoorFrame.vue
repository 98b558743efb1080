<!-- A page before the door: the mark, and one thing to do. -->
<template>
  <div class="door">
    <main>
      <p class="wordmark serif">Bonitas</p>
      <slot />
    </main>
  </div>
</template>

<style>
.door {
  display: grid;
  place-items: center;
  min-height: 100vh;
  padding: 24px;
}
.door main {
  max-width: 400px;
  width: 100%;
  display: grid;
  gap: 10px;
}
.door .wordmark {
  font-size: 32px;
  line-height: 40px;
  font-weight: 500;
}
</style>
