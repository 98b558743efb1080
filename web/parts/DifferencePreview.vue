<script setup lang="ts">
import { computed } from 'vue'
import type { Preview } from '#core/reckoning/preview.ts'
import type { Reckoning } from '#core/reckoning/reckon.ts'
import MoneyAmount from './MoneyAmount.vue'
import RemarkMark from './RemarkMark.vue'
import { useMakeover } from '../stores/makeover.ts'

/** What a change would do, before it is made: the sums now and after, and the remarks that would come and go. */
const { preview } = defineProps<{ preview: Preview | null }>()
const makeover = useMakeover()
const lines = computed(() => {
  const before = makeover.reckoning?.money.total
  const after = preview?.after.money.total
  if (!before || !after) return []
  return (
    [
      ['Paid', 'paid'],
      ['Committed', 'committed'],
      ['Still to buy', 'stillToBuy'],
      ['Refunds due', 'refundsDue'],
      ['Forecast', 'forecast'],
      ['Left', 'left'],
    ] as const
  )
    .map(([name, key]) => ({ name, before: before[key], after: after[key] }))
    .filter((line) => line.before !== line.after || line.name === 'Left')
})
/** What it does besides money: dates, needs, ties and clashes. */
const besides = computed(() => {
  const before = makeover.reckoning
  const after = preview?.after
  if (!before || !after) return []
  const days = (count: number | null): string =>
    count === null ? 'nothing awaited' : count < 0 ? `${-count} days late` : `${count} days`
  const covered = (reckoning: Reckoning): string =>
    `${reckoning.needs.filter((need) => need.covered).length} of ${reckoning.needs.length}`
  const tied = (reckoning: Reckoning): string =>
    String(reckoning.palette.ties.reduce((total, tie) => total + tie.tied, 0))
  const shares = (reckoning: Reckoning): string =>
    reckoning.palette.balance.roles.map((role) => role.share.toFixed(0)).join(' : ')
  const clashes = (reckoning: Reckoning): string =>
    String(reckoning.palette.clashes.length + reckoning.palette.ties.reduce((total, tie) => total + tie.clashes, 0))
  return [
    { name: 'Slack', before: days(before.slackDays), after: days(after.slackDays) },
    { name: 'Needs covered', before: covered(before), after: covered(after) },
    { name: 'Ties to the palette', before: tied(before), after: tied(after) },
    { name: 'Clashes', before: clashes(before), after: clashes(after) },
    { name: 'Shares, dominant : secondary : accent', before: shares(before), after: shares(after) },
  ].filter((line) => line.before !== line.after)
})
</script>

<template>
  <section class="difference" aria-label="What this would do" aria-live="polite">
    <table>
      <thead>
        <tr>
          <th>What this would do</th>
          <th class="number">now</th>
          <th class="number">then</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="line in lines" :key="line.name">
          <td>{{ line.name }}</td>
          <td class="number quiet"><MoneyAmount :amount="line.before" :currency="makeover.currency" /></td>
          <td class="number">
            <strong :class="{ inverted: line.name === 'Left' && line.after < 0 }"
              ><MoneyAmount :amount="line.after" :currency="makeover.currency"
            /></strong>
          </td>
        </tr>
        <tr v-for="line in besides" :key="line.name">
          <td>{{ line.name }}</td>
          <td class="number quiet">{{ line.before }}</td>
          <td class="number">
            <strong>{{ line.after }}</strong>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="!preview" class="quiet">Being reckoned …</p>
    <p v-for="remark in preview?.newRemarks" :key="remark.key">
      <RemarkMark :weight="remark.weight" /> {{ remark.title }}
    </p>
    <p v-for="remark in preview?.curedRemarks" :key="remark.key" class="quiet">
      <s>{{ remark.title }}</s>
    </p>
  </section>
</template>

<style>
/* the room it will take is kept free before it is there: what is below it, the button too, does not move under the hand */
.difference {
  font-size: 13px;
  margin-top: 4px;
  min-height: 150px;
}
.difference th,
.difference td {
  padding: 3px 10px 3px 0;
}
.difference p {
  padding-top: 4px;
}
</style>
