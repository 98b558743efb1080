<script setup lang="ts">
import { keysHere } from './keys.ts'

const open = defineModel<boolean>({ required: true })
</script>

<template>
  <el-dialog v-model="open" title="Keys on this page" :width="420" append-to-body align-center>
    <dl class="keys">
      <div v-for="key in keysHere" :key="`${key.ctrl ?? false} ${key.key}`">
        <dt>
          <kbd>{{ key.ctrl ? `Ctrl ${key.key.toUpperCase()}` : key.key }}</kbd>
        </dt>
        <dd>{{ key.does }}</dd>
      </div>
      <div>
        <dt><kbd>Tab</kbd></dt>
        <dd>Goes on to the next thing</dd>
      </div>
      <div>
        <dt><kbd>Enter</kbd></dt>
        <dd>Opens, chooses, saves</dd>
      </div>
      <div>
        <dt><kbd>Esc</kbd></dt>
        <dd>Closes what lies on top</dd>
      </div>
    </dl>
  </el-dialog>
</template>

<style>
.keys > div {
  display: grid;
  grid-template-columns: 72px 1fr;
  padding: 4px 0;
  border-bottom: 1px solid var(--hairline);
}
.keys kbd {
  font-weight: 600;
  font-size: 14px;
  color: var(--ink);
  margin: 0;
}
</style>
