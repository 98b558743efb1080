<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { v7 as uuidv7 } from 'uuid'
import { computed, watch } from 'vue'
import { hexFromLab, type Lab } from '#core/colour/lab.ts'
import { blank } from '#core/makeover/blank.ts'
import { add, remove, type Operation } from '#core/makeover/change.ts'
import { keepReasons, methods, priceKinds, qualities, sources } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeQuantity } from '#core/measure/quantity.ts'
import { sourceNeeds } from '#core/pieces/index.ts'
import { landedCost, landedWorking, packsFor, quantityOf } from '#core/purchases/index.ts'
import { useBasis } from '../parts/basis.ts'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldSeveral from '../parts/FieldSeveral.vue'
import FieldText from '../parts/FieldText.vue'
import FieldYes from '../parts/FieldYes.vue'
import FormDialog from '../parts/FormDialog.vue'
import {
  choiceField,
  coloursField,
  maybeChoiceField,
  maybeColourField,
  maybeDateField,
  maybeLengthField,
  maybeNumberField,
  moneyField,
  numberField,
  rateField,
  severalField,
  textField,
  useForm,
  yesField,
} from '../parts/form.ts'
import { asOptions } from '../parts/rowform.ts'
import WorkingSlip from '../parts/WorkingSlip.vue'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'

const { piece, candidate } = defineProps<{ piece: Row<'piece'>; candidate: Row<'candidate'> | null }>()
const open = defineModel<boolean>({ required: true })
const makeover = useMakeover()
const further = useRows('candidateColour')
const sellers = computed(() => Object.values(makeover.opened?.studio.rows.seller ?? {}))
const sellerName = (id: string | null | undefined): string => byId(sellers.value, id)?.name ?? ''
const entry = useEntry()
const lengthUnit = computed(() => entry.value.unit)
/** A new candidate begins with the tax terms of the last one: sellers of one country mostly share them. */
const last = computed(() =>
  Object.values(makeover.opened?.makeover.rows.candidate ?? {})
    .toSorted((left, right) => (left.id < right.id ? -1 : 1))
    .findLast((candidate) => candidate.sellerId !== null),
)
const writtenColour = (row: Row<'candidate'> | null): string =>
  row && row.labL !== null && row.labA !== null && row.labB !== null
    ? hexFromLab({ L: row.labL, a: row.labA, b: row.labB })
    : ''
const furtherOf = (row: Row<'candidate'> | null): Row<'candidateColour'>[] =>
  row ? further.value.filter((candidateColour) => candidateColour.candidateId === row.id) : []
const writtenFurther = (row: Row<'candidate'> | null): string =>
  furtherOf(row)
    .map((candidateColour) => hexFromLab({ L: candidateColour.labL, a: candidateColour.labA, b: candidateColour.labB }))
    .join('; ')
const days = { decimals: 0, least: 0, most: 1000 }
const { form, reset, submit } = useForm(() => ({
  source: choiceField(sources, candidate?.source ?? 'new'),
  seller: textField(sellerName(candidate?.sellerId), { may: true }),
  name: textField(candidate?.name),
  origin: textField(candidate?.origin, { most: 200, may: true }),
  keepReason: maybeChoiceField(keepReasons, candidate?.keepReason ?? null),
  condition: textField(candidate?.condition, { most: 200, may: true }),
  hole: textField(candidate?.hole, { most: 200, may: true }),
  goBackOn: maybeDateField(candidate?.goBackOn ?? null),
  lookAgainOn: maybeDateField(candidate?.lookAgainOn ?? null),
  priceMinor: moneyField(makeover.currency, candidate?.priceMinor ?? null),
  priceKind: choiceField(priceKinds, candidate?.priceKind ?? 'asked'),
  pricedOn: maybeDateField(candidate ? candidate.pricedOn : (makeover.opened?.today ?? null)),
  packSize: numberField(candidate?.packSize ?? 1, { decimals: 3, least: 0.001, most: 100_000 }),
  periods: numberField(candidate?.periods ?? 1, { decimals: 0, least: 1, most: 1000 }),
  discountPpm: rateField(candidate?.discountPpm ?? 0),
  tradePpm: rateField(candidate?.tradePpm ?? 0),
  deliveryMinor: moneyField(makeover.currency, candidate?.deliveryMinor ?? null),
  taxPpm: rateField((candidate ?? last.value)?.taxPpm ?? 0),
  taxIncluded: yesField((candidate ?? last.value)?.taxIncluded ?? false),
  deliveryTaxed: yesField((candidate ?? last.value)?.deliveryTaxed ?? true),
  workMinor: moneyField(makeover.currency, candidate?.workMinor ?? null),
  hours: numberField(candidate?.hours ?? 0, { decimals: 3, least: 0, most: 10_000 }),
  hourMinor: moneyField(makeover.currency, candidate?.hourMinor ?? null),
  leadDays: numberField(candidate?.leadDays ?? null, days),
  returnDays: maybeNumberField(candidate?.returnDays ?? null, days),
  adjustDays: maybeNumberField(candidate?.adjustDays ?? null, days),
  colour: maybeColourField(writtenColour(candidate)),
  colours: coloursField(writtenFurther(candidate)),
  colourName: textField(candidate?.colourName, { most: 80, may: true }),
  batch: textField(candidate?.batch, { most: 60, may: true }),
  article: textField(candidate?.article, { most: 80, may: true }),
  link: textField(candidate?.link, { most: 300, may: true }),
  widthMm: maybeLengthField(entry.value, candidate?.widthMm ?? null),
  depthMm: maybeLengthField(entry.value, candidate?.depthMm ?? null),
  heightMm: maybeLengthField(entry.value, candidate?.heightMm ?? null),
  lifeYears: maybeNumberField(candidate?.lifeYears ?? null, { decimals: 1, least: 0.1, most: 200 }),
  methods: severalField(methods, candidate?.methods ?? ''),
  qualities: severalField(qualities, candidate?.qualities ?? ''),
}))
const { basis, save: saveCandidate } = useBasis('candidate', () => candidate, open)
watch(open, (isOpen) => isOpen && reset())
const needs = computed(() => sourceNeeds[sources.find((source) => source === form.fields.source.text) ?? 'new'])
const bought = computed(() => needs.value.seller || needs.value.work)

/** The landed cost of what is typed so far, as soon as its parts can be read. */
const landed = computed(() => {
  const fields = form.fields
  const read = {
    priceMinor: fields.priceMinor.read(fields.priceMinor.text || (needs.value.seller ? '' : '0')),
    packSize: fields.packSize.read(fields.packSize.text),
    periods: fields.periods.read(fields.periods.text),
    discountPpm: fields.discountPpm.read(fields.discountPpm.text),
    deliveryMinor: fields.deliveryMinor.read(fields.deliveryMinor.text || '0'),
    taxPpm: fields.taxPpm.read(fields.taxPpm.text),
    workMinor: fields.workMinor.read(fields.workMinor.text || '0'),
    hours: fields.hours.read(fields.hours.text || '0'),
    hourMinor: fields.hourMinor.read(fields.hourMinor.text || '0'),
  }
  const { priceMinor, packSize, periods, discountPpm, deliveryMinor, taxPpm, workMinor, hours, hourMinor } = read
  if (
    !priceMinor.ok ||
    !packSize.ok ||
    !periods.ok ||
    !discountPpm.ok ||
    !deliveryMinor.ok ||
    !taxPpm.ok ||
    !workMinor.ok ||
    !hours.ok ||
    !hourMinor.ok
  )
    return null
  const terms = {
    priceMinor: priceMinor.value,
    packSize: packSize.value,
    periods: periods.value,
    discountPpm: discountPpm.value,
    deliveryMinor: deliveryMinor.value,
    taxPpm: taxPpm.value,
    workMinor: workMinor.value,
    hours: hours.value,
    hourMinor: hourMinor.value,
    tradePpm: 0,
    taxIncluded: fields.taxIncluded.text === 'yes',
    deliveryTaxed: fields.deliveryTaxed.text === 'yes',
  }
  const packs = packsFor(piece.quantity, terms.packSize)
  return {
    working: landedWorking(terms, landedCost(terms, packs), makeover.currency),
    over: Math.round((quantityOf(packs, terms.packSize) - piece.quantity) * 1000) / 1000,
  }
})

const sameColour = (row: Row<'candidateColour'>, lab: Lab): boolean =>
  hexFromLab({ L: row.labL, a: row.labA, b: row.labB }) === hexFromLab(lab)
function colourOperations(candidateId: string, wanted: readonly Lab[]): Operation[] {
  const had = furtherOf(candidate)
  return [
    ...had.filter((row) => !wanted.some((lab) => sameColour(row, lab))).map((row) => remove('candidateColour', row)),
    ...wanted
      .filter((lab) => !had.some((row) => sameColour(row, lab)))
      .map(({ L, a, b }) => add('candidateColour', uuidv7(), { candidateId, labL: L, labA: a, labB: b })),
  ]
}

async function save(): Promise<void> {
  for (const field of [
    form.fields.deliveryMinor,
    form.fields.workMinor,
    form.fields.hourMinor,
    form.fields.hours,
    ...(needs.value.seller ? [] : [form.fields.priceMinor, form.fields.leadDays]),
  ])
    if (field.text.trim() === '') field.text = '0'
  const done = await submit(
    ({ seller, colour, colours, ...terms }) => {
      if (needs.value.seller && seller === '')
        return Promise.resolve([{ field: 'seller', message: 'is empty: expected who sells it' }])
      const known = sellers.value.find(
        (thisSeller) => thisSeller.name.toLocaleLowerCase('en') === seller.toLocaleLowerCase('en'),
      )
      const sellerId = seller === '' ? null : (known?.id ?? uuidv7())
      const seen = basis.value
      const same = seen && form.fields.colour.text === writtenColour(seen)
      const lab = same
        ? { labL: seen.labL, labA: seen.labA, labB: seen.labB }
        : { labL: colour?.lab.L ?? null, labA: colour?.lab.a ?? null, labB: colour?.lab.b ?? null }
      const id = candidate?.id ?? uuidv7()
      const fields = {
        ...blank.candidate,
        pieceId: piece.id,
        sellerId,
        ...terms,
        ...lab,
        turnedDown: seen?.turnedDown ?? null,
      }
      const operations: Operation[] = [
        ...(sellerId === null || known ? [] : [add('seller', sellerId, { ...blank.seller, name: seller })]),
        ...colourOperations(id, colours),
      ]
      if (candidate) return saveCandidate(`Changed the candidate “${terms.name}”`, fields, operations)
      return makeover.change(
        `Set “${terms.name}”${seller ? ` from ${seller}` : ''} against the others for ${piece.name}`,
        [...operations, add('candidate', id, fields)],
      )
    },
    { sellerId: 'seller', labL: 'colour', labA: 'colour', labB: 'colour' },
  )
  if (done) open.value = false
}
</script>

<template>
  <FormDialog
    v-model="open"
    :title="candidate ? `Change ${candidate.name}` : `A candidate for ${piece.name}`"
    :action="candidate ? 'Save' : 'Add'"
    :faults="form.faults"
    :busy="form.busy"
    :width="920"
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
            :hint="
              sellers.length > 0
                ? `Known: ${sellers
                    .slice(0, 3)
                    .map((seller) => seller.name)
                    .join(', ')} …`
                : ''
            "
          />
          <FieldText v-if="needs.origin" :field="form.fields.origin" :label="needs.origin" optional />
          <FieldText :field="form.fields.name" label="What it is" />
        </div>
        <div
          v-if="needs.keepReason || needs.condition || needs.hole || needs.goesBack || needs.lookAgain"
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
        </div>
        <div v-if="bought" class="columns">
          <FieldText
            :field="form.fields.priceMinor"
            :label="needs.work ? 'Materials, a pack' : needs.periods ? 'Price for a period' : 'Price of a pack'"
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
          <FieldText v-if="needs.seller" :field="form.fields.adjustDays" label="Pays drops for" optional unit="days" />
        </div>
        <div class="columns">
          <FieldText :field="form.fields.colour" label="Colour" optional hint="#8fa3a8" />
          <FieldText :field="form.fields.colours" label="Further colours" optional hint="parted by semicolons" />
          <FieldText :field="form.fields.lifeYears" label="Lasts" optional unit="years" />
        </div>
        <details :open="candidate !== null">
          <summary>Its size, numbers, methods and qualities</summary>
          <div class="columns">
            <FieldText :field="form.fields.colourName" label="Its colour name" optional />
            <FieldText :field="form.fields.batch" label="Batch" optional />
          </div>
          <div class="columns">
            <FieldText :field="form.fields.widthMm" label="Width" optional :unit="lengthUnit" />
            <FieldText :field="form.fields.depthMm" label="Depth" optional :unit="lengthUnit" />
            <FieldText :field="form.fields.heightMm" label="Height" optional :unit="lengthUnit" />
          </div>
          <div v-if="needs.seller" class="columns">
            <FieldText :field="form.fields.article" label="Article number" optional />
            <FieldText :field="form.fields.link" label="Where it was seen" optional />
          </div>
          <FieldSeveral :field="form.fields.methods" label="It needs" :options="methods" />
          <FieldSeveral :field="form.fields.qualities" label="It is" :options="qualities" />
        </details>
        <p v-if="needs.caution" class="quiet">{{ needs.caution }}</p>
      </div>
      <aside class="landed-so-far" aria-label="Landed cost so far" aria-live="polite">
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
