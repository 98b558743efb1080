<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { dateIn, writeDate } from '#core/measure/plain-date.ts'
import { useLinks } from '../links/links.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useSession } from '../stores/session.ts'

/** Links that a calendar program follows by itself: secret, one for all of it and one for each hand, taken back when wanted. */
const { hands } = defineProps<{ hands: readonly (readonly [id: string, name: string])[] }>()
const makeover = useMakeover()
const session = useSession()
const { list, made, problem, load, make, takeBack } = useLinks('calendar')
watch(
  () => makeover.opened?.makeover.id,
  () => void load(),
  { immediate: true },
)
const whose = ref('')
const open = computed(() => list.value.filter(({ revokedAt }) => revokedAt === null))
const nameOf = (id: string | null): string =>
  id === null ? 'all of it' : (hands.find(([known]) => known === id)?.[1] ?? 'a hand that is gone')
const day = (at: string): string => writeDate(dateIn(session.person?.timeZone ?? 'UTC', Date.parse(at)))
const address = (token: string): string => `${window.location.origin}/api/feeds/${token}.ics`
</script>

<template>
  <div class="links">
    <p class="link-new">
      <label
        >A link to follow:
        <el-select v-model="whose" aria-label="Whose calendar" style="width: 240px">
          <el-option value="" label="all of it" />
          <el-option v-for="[id, name] in hands" :key="id" :value="id" :label="name" />
        </el-select>
      </label>
      <el-button @click="make({ forWhom: whose === '' ? null : whose, days: null, word: '' })">Make a link</el-button>
    </p>
    <p v-if="made" class="made" role="status">
      <input
        readonly
        :value="address(made.token)"
        aria-label="The new link"
        @focus="($event.target as HTMLInputElement).select()"
      />
      <span class="quiet">It is shown this once. Whoever has it sees this calendar, and nothing else.</span>
    </p>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
    <ul v-if="open.length > 0" class="said-list">
      <li v-for="link in open" :key="link.id">
        {{ nameOf(link.forWhom) }}
        <span class="quiet"
          >made {{ day(link.madeAt) }}{{ link.lastUsedAt ? `, read ${day(link.lastUsedAt)}` : ', not read yet' }}</span
        >
        <button
          type="button"
          class="word"
          :aria-label="`Take back the link to ${nameOf(link.forWhom)}`"
          @click="takeBack(link)"
        >
          Take back
        </button>
      </li>
    </ul>
  </div>
</template>
