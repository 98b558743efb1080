<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, ref, watch } from 'vue'
import { writeDate } from '#core/measure/plain-date.ts'
import { say, Refusal, sendPicture, type Shown, type ShownReply } from './guest.ts'
import KeptPicture from './KeptPicture.vue'

/** What was said of one thing, and a place to say yes, ask for another, comment, ask back, and send pictures. */
const {
  name,
  shown,
  pieceId = null,
  questionId = null,
  presentationId = null,
  about = '',
  asks = '',
  at = null,
} = defineProps<{
  name: string
  shown: Shown
  pieceId?: string | null
  questionId?: string | null
  presentationId?: string | null
  about?: string
  asks?: string
  /** Where on a plan, as shares of it. */
  at?: readonly [number, number] | null
}>()
const emit = defineEmits<{ said: [shown: Shown] }>()
const mine = computed(() =>
  shown.replies.filter((reply) =>
    pieceId !== null
      ? reply.pieceId === pieceId
      : questionId !== null
        ? reply.questionId === questionId
        : reply.pieceId === null && reply.questionId === null && (reply.atX === null) === (at === null),
  ),
)
const isOld = (reply: ShownReply): boolean => pieceId !== null && reply.about !== about
const last = computed(() =>
  mine.value.findLast((reply) => reply.mine && (reply.says === 'yes' || reply.says === 'another')),
)
const stands = computed(() => last.value !== undefined && !isOld(last.value))
const said = { yes: 'yes', another: 'another, please', comment: 'says', 'asks back': 'asks' } as const

// what is typed is kept until it is sent, also over a reload
const key = `bonitas.for.${pieceId ?? questionId ?? presentationId ?? ''}${at ? ' plan' : ''}`
const words = ref(sessionStorage.getItem(key) ?? '')
watch(words, (text) => sessionStorage.setItem(key, text))
/** Most answers are a yes: words are asked for when somebody wants to say some. */
const isOpen = ref(words.value !== '')
const files = ref<File[]>([])
const problem = ref('')
const isBusy = ref(false)
/** One answer has one id, however often it has to be sent. */
let id = uuidv7()
async function answer(says: 'yes' | 'another' | 'comment' | 'asks back'): Promise<void> {
  if (isBusy.value) return
  isBusy.value = true
  problem.value = ''
  try {
    const told = {
      id,
      pieceId,
      questionId,
      presentationId,
      says,
      words: words.value.trim(),
      about,
      atX: at?.[0] ?? null,
      atY: at?.[1] ?? null,
    }
    emit('said', await say(told))
    for (const file of files.value) emit('said', await sendPicture(id, file))
    words.value = ''
    files.value = []
    isOpen.value = false
    id = uuidv7()
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    problem.value = error.message
  } finally {
    isBusy.value = false
  }
}
function take(event: Event): void {
  files.value = [...((event.target as HTMLInputElement).files ?? [])].slice(0, 8)
}
</script>

<template>
  <div class="answer">
    <p v-if="asks" class="asks">{{ asks }}</p>
    <ul v-if="mine.length > 0" class="said">
      <li v-for="reply in mine" :key="reply.id">
        <strong>{{ reply.mine ? 'You' : reply.by }}</strong>: {{ said[reply.says]
        }}<template v-if="reply.words">, “{{ reply.words }}”</template>
        <span class="quiet"
          >{{ writeDate(reply.saidOn) }}<template v-if="isOld(reply)">, to an earlier choice</template></span
        >
        <KeptPicture v-for="sha in reply.pictures" :key="sha" :sha="sha" />
      </li>
    </ul>
    <p v-if="last && !stands" class="asks">It has changed since your answer: what do you say to it now?</p>
    <div v-if="!at" class="acts">
      <button
        type="button"
        :disabled="isBusy"
        :class="{ given: stands && last?.says === 'yes' }"
        :aria-label="`Yes to ${name}`"
        @click="answer('yes')"
      >
        Yes
      </button>
      <button
        type="button"
        :disabled="isBusy"
        :class="{ given: stands && last?.says === 'another' }"
        :aria-label="`Another than ${name}`"
        @click="answer('another')"
      >
        Another, please
      </button>
      <button
        type="button"
        class="link"
        :aria-expanded="isOpen"
        :aria-label="`Say something on ${name}`"
        @click="isOpen = !isOpen"
      >
        Say something
      </button>
    </div>
    <template v-if="isOpen || at">
      <textarea
        v-model="words"
        rows="2"
        maxlength="4000"
        :aria-label="`Your words on ${name}`"
        placeholder="It goes with your yes, or alone"
      />
      <div class="acts">
        <button
          type="button"
          :disabled="isBusy || words.trim() === ''"
          :aria-label="`Comment on ${name}`"
          @click="answer('comment')"
        >
          Only say this
        </button>
        <button
          type="button"
          :disabled="isBusy || words.trim() === ''"
          :aria-label="`Ask back about ${name}`"
          @click="answer('asks back')"
        >
          Ask this
        </button>
        <label class="picture"
          >{{ files.length === 0 ? 'Add pictures' : `${files.length} ${files.length === 1 ? 'picture' : 'pictures'}`
          }}<input type="file" accept="image/*" multiple :aria-label="`Pictures for ${name}`" @change="take"
        /></label>
      </div>
    </template>
    <p v-if="problem" role="alert" class="problem">{{ problem }}</p>
  </div>
</template>
