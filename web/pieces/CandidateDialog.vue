<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, watch } from 'vue'
import { add, type Operation } from '#core/makeover/change.ts'
import { hexFromLab } from '#core/colour/lab.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeQuantity } from '#core/measure/quantity.ts'
import { landedCost, landedWorking, packsFor, quantityOf } from '#core/purchases/index.ts'
import { useBasis } from '../parts/basis.ts'
import FieldText from '../parts/FieldText.vue'
import FieldYes from '../parts/FieldYes.vue'
import FormDialog from '../parts/FormDialog.vue'
import { maybeColourField, maybeNumberField, moneyField, numberField, rateField, textField, useForm, yesField } from '../parts/form.ts'
import WorkingSlip from '../parts/WorkingSlip.vue'
import { useMakeover } from '../stores/makeover.ts'

const { piece, candidate } = defineProps<{ piece: Row<'piece'>; candidate: Row<'candidate'> | null }>()
const open = defineModel<boolean>({ required: true })
const makeover = useMakeover()
const sellers = computed(() => Object.values(makeover.opened?.studio.rows.seller ?? {}))
const sellerName = (id: string | undefined): string => sellers.value.find((seller) => seller.id === id)?.name ?? ''
/** A new candidate begins with the tax terms of the last one: sellers of one country mostly share them. */
const last = computed(() => Object.values(makeover.opened?.makeover.rows.candidate ?? {}).toSorted((one, other) => (one.id < other.id ? -1 : 1)).at(-1))
const writtenColour = (row: Row<'candidate'> | null): string => (row && row.labL !== null && row.labA !== null && row.labB !== null ? hexFromLab({ L: row.labL, a: row.labA, b: row.labB }) : '')
const { form, reset, submit } = useForm(() => ({
  seller: textField(sellerName(candidate?.sellerId)),
  name: textField(candidate?.name),
  priceMinor: moneyField(makeover.currency, candidate?.priceMinor ?? null),
  packSize: numberField(candidate?.packSize ?? 1, { decimals: 3, least: 0.001, most: 100_000 }),
  discountPpm: rateField(candidate?.discountPpm ?? 0),
  deliveryMinor: moneyField(makeover.currency, candidate?.deliveryMinor ?? null),
  taxPpm: rateField((candidate ?? last.value)?.taxPpm ?? 0),
  taxIncluded: yesField((candidate ?? last.value)?.taxIncluded ?? false),
  deliveryTaxed: yesField((candidate ?? last.value)?.deliveryTaxed ?? true),
  colour: maybeColourField(writtenColour(candidate)),
  leadDays: numberField(candidate?.leadDays ?? null, { decimals: 0, least: 0, most: 1000 }),
  returnDays: maybeNumberField(candidate?.returnDays ?? null, { decimals: 0, least: 0, most: 1000 }),
}))
const { basis, save: saveCandidate } = useBasis('candidate', () => candidate, open)
watch(open, (now) => now && reset())

/** The landed cost of what is typed so far, as soon as its parts can be read. */
const landed = computed(() => {
  const { priceMinor, packSize, discountPpm, deliveryMinor, taxPpm, taxIncluded, deliveryTaxed } = form.fields
  const [price, pack, discount, delivery, tax] = [priceMinor.read(priceMinor.text), packSize.read(packSize.text), discountPpm.read(discountPpm.text), deliveryMinor.read(deliveryMinor.text || '0'), taxPpm.read(taxPpm.text)]
  if (!price.ok || !pack.ok || !discount.ok || !delivery.ok || !tax.ok) return null
  const terms = { priceMinor: price.value, packSize: pack.value, discountPpm: discount.value, deliveryMinor: delivery.value, taxPpm: tax.value, taxIncluded: taxIncluded.text === 'yes', deliveryTaxed: deliveryTaxed.text === 'yes' }
  const packs = packsFor(piece.quantity, pack.value)
  return { working: landedWorking(terms, landedCost(terms, packs), makeover.currency), over: Math.round((quantityOf(packs, pack.value) - piece.quantity) * 1000) / 1000 }
})

async function save(): Promise<void> {
  if (form.fields.deliveryMinor.text.trim() === '') form.fields.deliveryMinor.text = '0'
  const done = await submit(
    ({ seller, colour, ...terms }) => {
      const known = sellers.value.find((one) => one.name.toLocaleLowerCase('en') === seller.toLocaleLowerCase('en'))
      const sellerId = known?.id ?? uuidv7()
      const seen = basis.value
      const same = seen && form.fields.colour.text === writtenColour(seen)
      const lab = same ? { labL: seen.labL, labA: seen.labA, labB: seen.labB } : { labL: colour?.lab.L ?? null, labA: colour?.lab.a ?? null, labB: colour?.lab.b ?? null }
      const fields = { pieceId: piece.id, sellerId, ...terms, ...lab }
      const operations: Operation[] = known ? [] : [add('seller', sellerId, { name: seller })]
      if (candidate) return saveCandidate(`Changed the candidate “${terms.name}”`, fields, operations)
      return makeover.change(`Set “${terms.name}” from ${seller} against the others for ${piece.name}`, [...operations, add('candidate', uuidv7(), fields)])
    },
    { sellerId: 'seller', labL: 'colour', labA: 'colour', labB: 'colour' },
  )
  if (done) open.value = false
}
</script>

<template>
  <FormDialog v-model="open" :title="candidate ? `Change ${candidate.name}` : `A candidate for ${piece.name}`" :action="candidate ? 'Save' : 'Add'" :faults="form.faults" :busy="form.busy" :width="780" @submit="save">
    <div class="candidate-form">
      <div>
        <div class="columns">
          <FieldText :field="form.fields.seller" label="Seller" :hint="sellers.length > 0 ? `Known: ${sellers.slice(0, 3).map((seller) => seller.name).join(', ')} …` : ''" />
          <FieldText :field="form.fields.name" label="What it is" />
        </div>
        <div class="columns">
          <FieldText :field="form.fields.priceMinor" label="Price of a pack" :unit="makeover.currency" />
          <FieldText :field="form.fields.packSize" label="In a pack" :unit="piece.unit" />
          <FieldText :field="form.fields.discountPpm" label="Discount" unit="%" />
        </div>
        <div class="columns">
          <FieldText :field="form.fields.deliveryMinor" label="Delivery" :unit="makeover.currency" />
          <FieldText :field="form.fields.taxPpm" label="Tax" unit="%" />
          <div class="checks"><FieldYes :field="form.fields.taxIncluded" label="Prices include tax" /><FieldYes :field="form.fields.deliveryTaxed" label="Delivery is taxed" /></div>
        </div>
        <div class="columns">
          <FieldText :field="form.fields.leadDays" label="Lead time" unit="days" />
          <FieldText :field="form.fields.returnDays" label="Days to return" optional unit="days" hint="Empty: a final sale" />
          <FieldText :field="form.fields.colour" label="Colour" optional hint="#8fa3a8" />
        </div>
      </div>
      <aside class="landed-so-far" aria-label="Landed cost so far" aria-live="polite">
        <h3>Landed, for {{ writeQuantity(piece.quantity, piece.unit) }}</h3>
        <template v-if="landed">
          <WorkingSlip :working="landed.working" :currency="makeover.currency" />
          <p v-if="landed.over > 0" class="quiet">{{ writeQuantity(landed.over, piece.unit) }} over, since packs are whole.</p>
        </template>
        <p v-else class="quiet">Type a price to see it.</p>
      </aside>
    </div>
  </FormDialog>
</template>

<style>
.candidate-form { display: grid; grid-template-columns: minmax(0, 1fr) 216px; gap: 24px; }
.candidate-form .columns { grid-template-columns: repeat(auto-fit, minmax(120px, 1fr)); }
.candidate-form .checks { padding-top: 14px; display: grid; align-content: start; }
.landed-so-far { border-left: 1px solid var(--hairline); padding-left: 20px; font-size: 13px; }
.landed-so-far .means { display: none; }
@media (max-width: 720px) { .candidate-form { grid-template-columns: 1fr; } }
</style>
