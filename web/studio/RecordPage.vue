<script setup lang="ts">
import PostSection from './PostSection.vue'
import RecordSection from './RecordSection.vue'
import StudioFrame from './StudioFrame.vue'
</script>

<template>
  <StudioFrame title="Record and post" says="what an owner may be asked about, and what was written to whom">
    <PostSection />
    <RecordSection />
  </StudioFrame>
</template>
