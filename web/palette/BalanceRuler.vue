<script setup lang="ts">
import { computed } from 'vue'
import type { Balance } from '#core/palette/index.ts'

/** What is seen of each role against what the school wants: where each ends, and how far off is still in balance. */
const { balance, held } = defineProps<{
  balance: Balance
  /** The school holds them to their targets. */ held: boolean
}>()
const names = { dominant: 'Dominant', secondary: 'Secondary', accent: 'Accent' } as const
const roles = computed(() => {
  let [end, targetEnd] = [0, 0]
  return balance.roles.map((role) => {
    const start = end
    end += role.share
    targetEnd += role.target
    return { ...role, start, end, targetEnd, name: names[role.role] }
  })
})
const marks = computed(() => (held ? roles.value.slice(0, 2) : []))
const said = computed(() => {
  const { survey, eye, size, typical } = balance.rests
  const part = (share: number, words: string): string =>
    share < 0.005 ? '' : share > 0.995 ? words : `${Math.round(100 * share)} % ${words}`
  return [
    part(survey, 'as measured'),
    part(eye, 'judged by eye'),
    part(size, 'by the size of pieces'),
    part(typical, 'typical of an ordinary room, since nobody measured yet'),
  ]
    .filter(Boolean)
    .join(', ')
})
</script>

<template>
  <figure class="balance">
    <svg
      viewBox="0 0 1000 30"
      preserveAspectRatio="none"
      role="img"
      :aria-label="
        roles
          .map(
            (role) =>
              `${role.name} ${role.share.toFixed(0)} %${held ? ` of ${role.target}, within ${role.grace}` : ''}`,
          )
          .join('; ')
      "
    >
      <defs>
        <pattern id="balance-hatch" width="5" height="6" patternUnits="userSpaceOnUse" patternTransform="skewX(-35)">
          <path d="M0 0V6" stroke="#5c5c5c" stroke-width="1.2" />
        </pattern>
      </defs>
      <rect
        v-for="mark in marks"
        :key="mark.role"
        :x="10 * Math.max(0, mark.targetEnd - mark.grace)"
        :width="20 * mark.grace"
        y="2"
        height="13"
        fill="url(#balance-hatch)"
      />
      <path d="M0 15.5H1000" class="firm" />
      <path v-for="role in roles" :key="role.role" :d="`M${10 * role.start} 15V28`" class="firm" />
      <path d="M1000 15V28" class="firm" />
      <path v-for="mark in marks" :key="`t${mark.role}`" :d="`M${10 * mark.targetEnd} 1V15`" class="target" />
    </svg>
    <div class="words">
      <span
        v-for="role in roles"
        :key="role.role"
        :style="{ flexGrow: Math.max(14, role.share) }"
        :class="{ off: held && role.off > 0 }"
      >
        {{ role.name }} <strong>{{ role.share.toFixed(0) }}</strong><template v-if="held">
          of {{ role.target }}<span class="quiet"> ± {{ role.grace }}</span></template
        ><template v-else> %</template>
        <span v-if="held && role.off > 0" class="inverted"
          >{{ role.off.toFixed(0) }} {{ role.share > role.target ? 'over' : 'short' }}</span
        >
      </span>
    </div>
    <figcaption class="quiet">
      Share of what is seen: {{ said }}. Ceilings count apart.<template v-if="held">
        Strokes above are where the school has each end, hatches how far off still passes.</template
      >{{ ' ' }}
      <slot />
    </figcaption>
  </figure>
</template>

<style>
.balance {
  margin: 6px 14px 0;
}
.balance svg {
  width: 100%;
  height: 30px;
  display: block;
  overflow: visible;
}
.balance path {
  vector-effect: non-scaling-stroke;
  fill: none;
  stroke: var(--ink);
}
.balance .firm {
  stroke-width: 1.5px;
}
.balance .target {
  stroke-width: 3px;
}
.balance .words {
  display: flex;
  gap: 8px;
  font-size: 13px;
}
.balance .words > span {
  flex-basis: 0;
  white-space: nowrap;
  min-width: max-content;
}
.balance .words > span:last-child {
  text-align: right;
}
.balance .inverted {
  margin-left: 8px;
}
.balance figcaption {
  font-size: 12px;
  line-height: 16px;
  padding-top: 4px;
}
@media (max-width: 720px) {
  .balance {
    margin: 6px 4px 0;
  }
  .balance .words {
    flex-wrap: wrap;
  }
}
</style>
