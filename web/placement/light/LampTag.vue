<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { writeLength } from '#core/measure/length.ts'
import { saidOfLight } from '#core/placement/index.ts'
import RemarkMark from '../../parts/RemarkMark.vue'
import { useEntry } from '../../stores/entry.ts'
import type { InTheLight } from './in-the-light.ts'

/** A lamp: what it gives, and what is held against where it is. */
const { light } = defineProps<{ light: InTheLight }>()
const emit = defineEmits<{ gives: [] }>()
const route = useRoute()
const entry = useEntry()
const lamp = computed(() => light.lit.value?.lamps.find(({ id }) => id === light.selectedId.value) ?? null)
const given = computed(() => light.givenBy(light.selectedId.value))
const found = computed(() =>
  (light.lighting.value?.checks ?? [])
    .filter(({ ids }) => ids.includes(light.selectedId.value))
    .map((check) => ({
      key: `${check.code} ${check.ids.join(' ')}`,
      weight: check.weight,
      ...saidOfLight(check, light.practice.value.rules, entry.value.units),
    })),
)
</script>

<template>
  <template v-if="light.selected.value">
    <h2>{{ light.selected.value.name }}</h2>
    <dl v-if="lamp" class="pairs">
      <div>
        <dt>Gives</dt>
        <dd>{{ lamp.lumens }} lm</dd>
      </div>
      <div>
        <dt>Its colour</dt>
        <dd>{{ lamp.kelvin === null ? 'not read' : `${lamp.kelvin} K` }}</dd>
      </div>
      <div>
        <dt>Spread</dt>
        <dd>{{ lamp.spread }}{{ lamp.spread === 'beam' && lamp.beamDeg !== null ? `, ${lamp.beamDeg}°` : '' }}</dd>
      </div>
      <div>
        <dt>Its light, above the floor</dt>
        <dd>{{ writeLength(Math.round(lamp.z), entry.units) }}</dd>
      </div>
      <div>
        <dt>Dims</dt>
        <dd>{{ lamp.dims ? 'yes' : 'no' }}</dd>
      </div>
    </dl>
    <p v-else class="quiet">Nobody read yet what it gives: the lumens stand on the packet of its bulb.</p>
    <template v-if="found.length > 0">
      <hr />
      <p v-for="{ key, weight, title, sentence } in found" :key="key">
        <RemarkMark :weight="weight" /> <strong>{{ title }}.</strong> {{ sentence }}
      </p>
    </template>
    <div class="tag-actions">
      <el-button v-if="given?.candidateId" @click="emit('gives')">What it gives</el-button>
      <router-link
        v-else-if="given"
        class="word"
        :to="{ name: 'piece', params: { ...route.params, pieceId: given.piece.id } }"
        >Add a candidate first: it says what it gives</router-link
      >
    </div>
  </template>
  <template v-else>
    <h2>Take up a lamp</h2>
    <p class="quiet">
      A lamp that stands is moved by hand or with the arrow keys, and the light follows. What hangs is moved on its
      wall.
    </p>
  </template>
</template>
