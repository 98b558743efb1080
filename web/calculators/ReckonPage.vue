<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { calculators, type Calculator } from '#core/calculators/index.ts'
import type { Entry } from '../stores/entry.ts'
import { ownKey } from '../stores/own.ts'
import { useAsked } from './asked.ts'
import AskFields from './AskFields.vue'
import CutList from './CutList.vue'
import CuttingPlan from './CuttingPlan.vue'
import HowFar from './HowFar.vue'
import KeepIt from './KeepIt.vue'

/** Calculators for a shop: a few measures, and what to buy with its working. Nothing is kept unless it is asked to be. */
const route = useRoute()
const chosen = computed(
  (): Calculator => calculators.find(({ id }) => id === route.params.which) ?? (calculators[0] as Calculator),
)
const units = useLocalStorage<Entry['units']>(ownKey('calculators.units'), 'metric')
/** A bare number is centimetres, or inches. */
const entry = computed((): Entry => ({ units: units.value, unit: units.value === 'metric' ? 'cm' : 'in' }))
const { state, shown, answer, values, missing, share, stop } = useAsked(chosen, entry)
</script>

<template>
  <div class="calculators">
    <section class="studio-line" aria-label="Studio">
      <router-link class="wordmark serif" :to="{ name: 'day' }">Bonitas</router-link>
      <span class="end">
        <button
          v-for="system in ['metric', 'feet and inches'] as const"
          :key="system"
          type="button"
          class="word"
          :aria-pressed="units === system"
          @click="units = system"
        >
          {{ system }}
        </button>
      </span>
    </section>
    <main>
      <div class="page-head">
        <h1>{{ chosen.title }}</h1>
        <span class="quiet">{{ chosen.about }}</span>
      </div>
      <nav aria-label="Calculators">
        <router-link
          v-for="calculator in calculators"
          :key="calculator.id"
          :to="{ name: 'calculators', params: { which: calculator.id } }"
          :aria-current="calculator.id === chosen.id ? 'page' : undefined"
          >{{ calculator.title }}</router-link
        >
      </nav>
      <div class="asks-and-answers">
        <form novalidate :aria-label="chosen.title" @submit.prevent>
          <AskFields :key="chosen.id" :shown="shown" :fields="state.fields" :units="units" />
        </form>
        <section class="answer" aria-live="polite" aria-label="What to buy">
          <HowFar v-if="share !== null" :share="share" @stop="stop" />
          <p v-if="!answer" class="quiet">{{ missing || 'Type the measures, and what to buy stands here.' }}</p>
          <template v-else>
            <p class="headline">{{ answer.headline }}</p>
            <dl>
              <div v-for="line in answer.lines" :key="line.label">
                <dt>{{ line.label }}</dt>
                <dd>
                  <strong>{{ line.amount }}</strong><span v-if="line.how" class="quiet">{{ line.how }}</span>
                </dd>
              </div>
            </dl>
            <p v-for="says in answer.says" :key="says">{{ says }}</p>
            <CuttingPlan v-if="answer.packing" :told="answer.packing" :units="units" />
            <CutList v-if="answer.cuts" :cuts="answer.cuts" />
            <KeepIt :key="chosen.id" :keeps="answer.keeps" :calculator="chosen" :values="values" />
          </template>
        </section>
      </div>
      <p v-if="answer" class="at-foot" aria-hidden="true">{{ answer.headline }}</p>
    </main>
  </div>
</template>

<style src="./calculators.css"></style>
