<script setup lang="ts">
import { because, insteadOf } from '#core/brief/index.ts'
import MoneyAmount from '../parts/MoneyAmount.vue'
import { useMakeover } from '../stores/makeover.ts'
import type { Shown } from './side-by-side.ts'

/** Rows of the comparison that are there only where something is known: how a thing wears, making against buying, what rules it out. */
defineProps<{ candidates: readonly Shown[] }>()
const makeover = useMakeover()
</script>

<template>
  <tr v-if="candidates.some((candidate) => candidate.row.madeOf !== null)">
    <th scope="row">Wear</th>
    <td v-for="candidate in candidates" :key="candidate.row.id" :class="{ chosen: candidate.chosen }">
      <template v-if="candidate.row.madeOf !== null"
        >{{ candidate.row.madeOf
        }}<span :class="candidate.wear[0]?.wear.weight === 'look' ? 'seen' : 'quiet seen'">{{
          candidate.wear[0]?.wear.because ?? 'lasts here'
        }}</span></template
      ><span v-else class="quiet">what it is made of is not known</span>
    </td>
  </tr>
  <tr v-if="candidates.some((candidate) => candidate.making !== null)">
    <th scope="row">Make or buy</th>
    <td v-for="candidate in candidates" :key="candidate.row.id" :class="{ chosen: candidate.chosen }">
      <template v-if="candidate.making"
        ><template v-if="candidate.making.hourEven === null">bought is cheaper before an hour is counted</template
        ><template v-else
          >even at <MoneyAmount :amount="candidate.making.hourEven" :currency="makeover.currency" /> an hour</template
        ><span class="quiet seen"
          >{{ candidate.making.hours }} hours; materials in whole packs
          <MoneyAmount :amount="candidate.making.materials" :currency="makeover.currency" />, against
          {{ candidate.making.bought.name }}</span
        ></template
      ><span v-else class="quiet">–</span>
    </td>
  </tr>
  <tr v-if="candidates.some((candidate) => candidate.ruledOut.length > 0)">
    <th scope="row">Ruled out by</th>
    <td v-for="candidate in candidates" :key="candidate.row.id" :class="{ chosen: candidate.chosen }">
      <template v-if="candidate.ruledOut.length > 0"
        ><strong>{{ candidate.ruledOut.map((entry) => entry.word).join(', ') }}</strong
        ><span class="quiet seen"
          >{{ candidate.ruledOut.map((entry) => because(entry)).join(', ') }}; instead:
          {{ candidate.ruledOut.map((entry) => insteadOf(entry.word)).join('; ') }}</span
        ></template
      ><span v-else class="quiet">nothing</span>
    </td>
  </tr>
</template>
