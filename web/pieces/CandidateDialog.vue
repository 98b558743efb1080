<script setup lang="ts">
import { computed } from 'vue'
import { keepReasons, methods, openTerms, priceKinds, qualities, sources } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeQuantity } from '#core/measure/quantity.ts'
import FieldColour from '../colour/FieldColour.vue'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldSeveral from '../parts/FieldSeveral.vue'
import FieldText from '../parts/FieldText.vue'
import FieldYes from '../parts/FieldYes.vue'
import FormDialog from '../parts/FormDialog.vue'
import { asOptions } from '../parts/rowform.ts'
import WorkingSlip from '../parts/WorkingSlip.vue'
import { useEntry } from '../stores/entry.ts'
import { thingOf } from '#core/pieces/index.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useSession } from '../stores/session.ts'
import { useRows } from '../stores/rows.ts'
import { useCandidateForm } from './candidate-form.ts'
import CandidateDetails from './CandidateDetails.vue'

const { piece, candidate } = defineProps<{ piece: Row<'piece'>; candidate: Row<'candidate'> | null }>()
const open = defineModel<boolean>({ required: true })
const makeover = useMakeover()
const session = useSession()
const entry = useEntry()
const lengthUnit = computed(() => entry.value.unit)
const servings = useRows('serving')
const allNeeds = useRows('need')
/** What the need that it serves is counted in: metres of books, litres. */
const holdsUnit = computed(
  () =>
    allNeeds.value.find(
      ({ id, unit }) => unit !== '' && servings.value.some((row) => row.pieceId === piece.id && row.needId === id),
    )?.unit ?? '',
)
const { form, sellers, needs, bought, stock, fromStock, landed, save } = useCandidateForm(
  () => ({ piece, candidate }),
  open,
)
</script>

<template>
  <FormDialog
    v-model="open"
    :title="candidate ? `Change ${candidate.name}` : `A candidate for ${piece.name}`"
    :action="candidate ? 'Save' : 'Add'"
    :faults="form.faults"
    :busy="form.busy"
    :width="920"
    :changes="['candidate']"
    :reads="candidate !== null"
    @submit="save"
  >
    <div class="candidate-form">
      <div>
        <div class="columns">
          <FieldChoice
            :field="form.fields.source"
            label="Where it comes from"
            :options="asOptions(sources)"
            :hint="needs.says"
          />
          <FieldText
            v-if="needs.seller"
            :field="form.fields.seller"
            label="Seller"
            :known="sellers.map((seller) => seller.name)"
          />
          <FieldText v-if="needs.origin" :field="form.fields.origin" :label="needs.origin" optional />
          <FieldText
            :field="form.fields.name"
            label="What it is"
            :known="stock.map(({ name }) => name)"
            :hint="
              fromStock
                ? `In our stock: ${writeQuantity(fromStock.quantity, fromStock.unit)}`
                : stock.length > 0
                  ? 'Offered while you type: what is in our stock'
                  : ''
            "
          />
        </div>
        <div
          v-if="
            needs.keepReason || needs.condition || needs.hole || needs.goesBack || needs.lookAgain || needs.promised
          "
          class="columns"
        >
          <FieldChoice
            v-if="needs.keepReason"
            :field="form.fields.keepReason"
            label="Why it stays"
            :options="asOptions(keepReasons)"
            none="no reason given"
          />
          <FieldText v-if="needs.condition" :field="form.fields.condition" label="Condition" optional />
          <FieldText v-if="needs.hole" :field="form.fields.hole" label="What is missing there now" optional />
          <FieldText v-if="needs.goesBack" :field="form.fields.goBackOn" label="Goes back on" optional />
          <FieldText v-if="needs.lookAgain" :field="form.fields.lookAgainOn" label="Look again on" optional />
          <template v-if="needs.promised">
            <FieldText :field="form.fields.promisedOn" label="Promised for" optional hint="Empty once it is here" />
            <FieldText
              v-if="form.fields.promisedOn.text !== ''"
              :field="form.fields.fallBack"
              label="If it does not come"
              optional
            />
          </template>
        </div>
        <div v-if="bought" class="columns">
          <FieldText
            :field="form.fields.priceMinor"
            :label="
              needs.work
                ? 'Materials, a pack'
                : needs.periods
                  ? 'Price for a period'
                  : form.fields.packSize.text.trim() === '1'
                    ? 'Price'
                    : 'Price of a pack'
            "
            :unit="makeover.currency"
          />
          <FieldText :field="form.fields.packSize" label="In a pack" :unit="piece.unit" />
          <FieldText v-if="needs.periods" :field="form.fields.periods" label="Periods" hint="weeks or months" />
          <FieldText :field="form.fields.discountPpm" label="Discount" unit="%" />
          <FieldText v-if="needs.trade" :field="form.fields.tradePpm" label="Trade discount kept" unit="%" />
        </div>
        <div v-if="needs.work" class="columns">
          <FieldText
            :field="form.fields.workMinor"
            label="Work paid"
            optional
            :unit="makeover.currency"
            hint="Cloth, paint, legs, fitting"
          />
          <FieldText :field="form.fields.hours" label="Hours" />
          <FieldText :field="form.fields.hourMinor" label="An hour costs" optional :unit="makeover.currency" />
        </div>
        <div v-if="bought" class="columns">
          <FieldText :field="form.fields.deliveryMinor" label="Delivery" :unit="makeover.currency" />
          <FieldText :field="form.fields.taxPpm" label="Tax" unit="%" />
          <div class="checks">
            <FieldYes :field="form.fields.taxIncluded" label="Prices include tax" /><FieldYes
              :field="form.fields.deliveryTaxed"
              label="Delivery is taxed"
            />
          </div>
        </div>
        <div v-if="bought" class="columns">
          <FieldChoice :field="form.fields.priceKind" label="The price is" :options="asOptions(priceKinds)" />
          <FieldText :field="form.fields.pricedOn" label="As of" optional />
          <FieldText :field="form.fields.leadDays" label="Lead time" unit="days" />
          <FieldText
            v-if="needs.seller"
            :field="form.fields.returnDays"
            label="Days to return"
            optional
            unit="days"
            hint="Empty: a final sale"
          />
          <FieldChoice
            v-if="needs.seller && form.fields.returnDays.text !== ''"
            :field="form.fields.returnFrom"
            label="Counted from"
            :options="[
              { value: 'arrival', label: 'its arrival' },
              { value: 'order', label: 'the purchase' },
            ]"
          />
          <FieldText
            v-if="needs.seller"
            :field="form.fields.adjustDays"
            label="Price-match days"
            optional
            unit="days"
          />
        </div>
        <div class="columns">
          <FieldColour :field="form.fields.colour" label="Colour" optional />
          <FieldColour
            :field="form.fields.colours"
            label="Further colours"
            optional
            several
            hint="separated by semicolons"
          />
          <FieldText :field="form.fields.lifeYears" label="Lasts" optional unit="years" />
        </div>
        <details :open="candidate !== null">
          <summary>Its size, what it is made of, numbers, methods and qualities</summary>
          <div class="columns">
            <FieldText :field="form.fields.colourName" label="Its colour name" optional />
            <FieldText :field="form.fields.batch" label="Batch" optional />
          </div>
          <FieldText
            :field="form.fields.warranty"
            label="Warranty"
            optional
            hint="how long, on what, and what it needs: the receipt, its label"
          />
          <div class="columns">
            <FieldText :field="form.fields.widthMm" label="Width" optional :unit="lengthUnit" />
            <FieldText :field="form.fields.depthMm" label="Depth" optional :unit="lengthUnit" />
            <FieldText :field="form.fields.heightMm" label="Height" optional :unit="lengthUnit" />
          </div>
          <CandidateDetails :fields="form.fields" :thing="thingOf(piece)" :unit="lengthUnit" :holds-unit="holdsUnit" />
          <div v-if="needs.seller" class="columns">
            <FieldText :field="form.fields.article" label="Article number" optional />
            <FieldText :field="form.fields.link" label="Where it was seen" optional />
          </div>
          <FieldSeveral
            v-if="needs.seller"
            :field="form.fields.toAsk"
            label="Not asked the seller yet"
            :options="openTerms"
          />
          <FieldSeveral :field="form.fields.methods" label="It needs" :options="methods" />
          <FieldSeveral :field="form.fields.qualities" label="It is" :options="qualities" />
        </details>
        <p v-if="needs.caution" class="quiet">{{ needs.caution }}</p>
      </div>
      <aside v-if="session.costs" class="landed-so-far" aria-label="Landed cost so far" aria-live="polite">
        <h3>Landed, for {{ writeQuantity(piece.quantity, piece.unit) }}</h3>
        <template v-if="landed">
          <WorkingSlip :working="landed.working" :currency="makeover.currency" />
          <p v-if="landed.over > 0" class="quiet">
            {{ writeQuantity(landed.over, piece.unit) }} over, since packs are whole.
          </p>
        </template>
        <p v-else class="quiet">Type a price to see it.</p>
      </aside>
    </div>
  </FormDialog>
</template>

<style>
.candidate-form {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 216px;
  gap: 24px;
}
.candidate-form .columns {
  grid-template-columns: repeat(auto-fit, minmax(120px, 1fr));
}
.candidate-form summary {
  cursor: pointer;
  min-height: 28px;
  text-decoration: underline;
  text-underline-offset: 3px;
  font-size: 13px;
}
.candidate-form .checks {
  padding-top: 14px;
  display: grid;
  align-content: start;
}
.landed-so-far {
  border-left: 1px solid var(--hairline);
  padding-left: 20px;
  font-size: 13px;
}
.landed-so-far .means {
  display: none;
}
@media (max-width: 720px) {
  .candidate-form {
    grid-template-columns: 1fr;
  }
}
</style>
