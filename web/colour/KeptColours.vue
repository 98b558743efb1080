<script setup lang="ts">
import { computed } from 'vue'
import { hexFromLab, type Lab } from '#core/colour/lab.ts'
import { groupBy } from '#core/makeover/document.ts'
import { labOf } from '#core/palette/index.ts'
import { useRows } from '../stores/rows.ts'

/** The colours taken from pictures of this makeover, picture by picture. */
const emit = defineEmits<{ pick: [lab: Lab] }>()
const taken = useRows('takenColour')
const attachments = useRows('attachment')
const pictures = computed(() => {
  const colours = groupBy(taken.value, (row) => row.attachmentId)
  return attachments.value.flatMap((row) => {
    const own = colours.get(row.id)
    return own ? [{ row, colours: own }] : []
  })
})
</script>

<template>
  <ul class="kept-colours">
    <li v-for="{ row, colours } in pictures" :key="row.id">
      <img :src="`/api/files/${row.sha256}/thumbnail`" :alt="row.name" loading="lazy" />
      <button
        v-for="(colour, at) in colours"
        :key="colour.id"
        type="button"
        class="bare"
        :aria-label="`Take colour ${at + 1} of ${row.name}`"
        :style="{ background: hexFromLab(labOf(colour)) }"
        @click="emit('pick', labOf(colour))"
      />
    </li>
  </ul>
</template>

<style scoped>
.kept-colours li {
  display: flex;
  gap: 6px;
  align-items: center;
  padding: 4px 0;
}
.kept-colours img {
  height: 44px;
  margin-right: 6px;
}
.kept-colours button {
  width: 44px;
  height: 44px;
  border: 1px solid var(--hairline);
}
</style>
