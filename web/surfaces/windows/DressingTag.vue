<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { darkBy, darkFor, dressingHeld, sharesPane, type DressedWindow } from '#core/surfaces/index.ts'
import RemarkList from '../../remarks/RemarkList.vue'
import { useMakeover } from '../../stores/makeover.ts'
import { heldWords } from '../words.ts'

/** What hangs at a window: its working, how dark it makes the room, and its line to buy. */
const { layer, all } = defineProps<{ layer: DressedWindow; all: readonly DressedWindow[] }>()
const emit = defineEmits<{ change: []; before: []; line: [] }>()
const route = useRoute()
const makeover = useMakeover()
const held = computed(() =>
  makeover.opened && makeover.reckoning
    ? dressingHeld(makeover.opened.makeover, layer, all, makeover.reckoning.money.pieces)
    : null,
)
const remarks = computed(() =>
  (makeover.reckoning?.remarks ?? []).filter(({ subjects }) => subjects.some(({ id }) => id === layer.row.id)),
)
const cloth = computed(() =>
  layer.row.finishId ? (makeover.opened?.makeover.rows.finish[layer.row.finishId]?.name ?? '') : '',
)
/** What all that hangs there makes of the light, and what the beds ask for. */
const dark = computed(() => {
  const { opened } = makeover
  const has = darkBy(all.filter(({ window }) => sharesPane(window, layer.window)))
  const wanted = opened ? darkFor(opened.makeover, layer.window.room.id) : null
  return { has: has ?? 'as light as it is', why: wanted?.why ?? '' }
})
</script>

<template>
  <h2>{{ layer.row.what.replace(/^./, (letter) => letter.toUpperCase()) }}, {{ layer.window.name }}</h2>
  <p class="quiet">{{ cloth || 'no cloth of the palette yet' }}</p>
  <hr />
  <p v-if="!layer.dressed.ok" class="stop-line">It cannot be reckoned: the field {{ layer.dressed.error }}.</p>
  <template v-else>
    <p class="headline">{{ layer.dressed.words }}</p>
    <dl class="pairs working">
      <div v-for="line in layer.dressed.lines" :key="line.label">
        <dt>
          {{ line.label }} <span v-if="line.how" class="quiet how">{{ line.how }}</span>
        </dt>
        <dd>{{ line.amount }}</dd>
      </div>
      <div>
        <dt>
          The room <span v-if="dark.why" class="quiet how">{{ dark.why }}</span>
        </dt>
        <dd>{{ dark.has }}</dd>
      </div>
    </dl>
    <p v-for="says in layer.dressed.says" :key="says" class="quiet">{{ says }}</p>
  </template>
  <RemarkList v-if="remarks.length > 0" :remarks="remarks" />
  <div class="tag-actions">
    <el-button
      v-if="held && (held.state === 'no line' || held.state === 'to update')"
      type="primary"
      @click="emit('line')"
      >{{ heldWords(held) }}</el-button
    >
    <el-button @click="emit('change')">Change</el-button>
    <el-button @click="emit('before')">Hang another before it</el-button>
    <router-link
      v-if="layer.row.pieceId"
      class="word"
      :to="{ name: 'piece', params: { id: String(route.params.id), pieceId: layer.row.pieceId } }"
      >Its line{{ held ? `: ${heldWords(held)}` : '' }}</router-link
    >
  </div>
</template>
