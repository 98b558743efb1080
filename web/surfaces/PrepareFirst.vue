<script setup lang="ts">
import { computed, ref } from 'vue'
import { edit } from '#core/makeover/change.ts'
import { joinSeveral, preparations, splitSeveral } from '#core/makeover/choices.ts'
import type { TakeOff } from '#core/surfaces/index.ts'
import { useMakeover } from '../stores/makeover.ts'

/** The work before a finish: proposed by what is there, each with its hours; what is not done is left out. */
const { taken } = defineProps<{ taken: TakeOff }>()
const makeover = useMakeover()
const problem = ref('')
const leftOut = computed(() => new Set(splitSeveral(taken.treatment.leaveOut)))
const done = computed(() => taken.works.filter(({ what }) => !leftOut.value.has(what)))
const hours = computed(() => done.value.reduce((sum, work) => sum + work.hours, 0))
async function toggle(what: TakeOff['works'][number]['what']): Promise<void> {
  const row = makeover.opened?.makeover.rows.treatment[taken.treatment.id]
  if (!row) return
  const out = new Set(leftOut.value)
  const wasOut = out.delete(what)
  if (!wasOut) out.add(what)
  const faults = await makeover.change(
    wasOut ? `${taken.finish.name}: ${what} first after all` : `${taken.finish.name}: left out to ${what}`,
    [edit('treatment', row, { leaveOut: joinSeveral(preparations, [...out]) })],
  )
  problem.value = faults.map(({ message }) => message).join('; ')
}
</script>

<template>
  <hr />
  <details>
    <summary>
      Before it: {{ done.map(({ what }) => what).join(', ') || 'nothing' }}, about {{ hours.toFixed(1) }} h
    </summary>
    <dl class="pairs working">
      <div v-for="work in taken.works" :key="work.what">
        <dt>
          {{ work.what.replace(/^./, (letter) => letter.toUpperCase()) }}
          <span class="quiet how">{{ work.because }}</span>
        </dt>
        <dd>
          {{ leftOut.has(work.what) ? '–' : `${work.hours.toFixed(1)} h` }}
          <button type="button" class="word" @click="toggle(work.what)">
            {{ leftOut.has(work.what) ? 'put back' : 'leave out' }}
          </button>
        </dd>
      </div>
    </dl>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
    <p v-if="done.some(({ frees }) => frees)" class="quiet">
      Old paint, coatings and floors may hold lead or asbestos: test before anything is sanded, stripped or lifted.
      Local rules and licensed people decide how.
    </p>
  </details>
</template>
