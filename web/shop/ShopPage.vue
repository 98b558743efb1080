<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, ref, shallowRef } from 'vue'
import type { Lab } from '#core/colour/lab.ts'
import { byId } from '#core/makeover/by-id.ts'
import type { ThingKind } from '#core/makeover/choices.ts'
import { judgeSighting, keepSighting, thingByName, thingOf, type Sighting, type Verdict } from '#core/pieces/index.ts'
import FieldColour from '../colour/FieldColour.vue'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldText from '../parts/FieldText.vue'
import { choiceField, coloursField, maybeSizeField, moneyField, saidField, textField, useForm } from '../parts/form.ts'
import LookFor from '../pieces/LookFor.vue'
import RemarkMark from '../parts/RemarkMark.vue'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import { optionsOf, useRows } from '../stores/rows.ts'
import { say } from '../stores/said.ts'
import PictureTap from './PictureTap.vue'
import { keepPicture, sendPictures } from './pictures.ts'

/** Standing in a shop: a picture, a price, a size, and at once whether it fits, ties, clashes and can be paid. */
const makeover = useMakeover()
const entry = useEntry()
const pieces = useRows('piece')
const rooms = useRows('room')
const categories = useRows('category')
const candidates = useRows('candidate')
const sellers = computed(() => Object.values(makeover.opened?.studio.rows.seller ?? {}))
const somethingNew = computed(() =>
  categories.value.map(({ id, name }) => ({ value: id, label: `Something new: ${name}` })),
)
const { form, reset, submit } = useForm(() => ({
  piece: choiceField(
    [...pieces.value, ...categories.value].map(({ id }) => id),
    pieces.value.find((piece) => piece.chosenId === null)?.id ?? '',
  ),
  name: saidField(),
  price: moneyField(makeover.currency),
  size: maybeSizeField(entry.value),
  seller: textField(),
  colours: coloursField(''),
}))
/** What it is: as the piece is that it is for, else by what was typed. */
const thing = computed((): ThingKind => {
  const piece = byId(pieces.value, form.fields.piece.text)
  const told = piece ? thingOf(piece) : 'other'
  return told === 'other' ? thingByName(form.fields.name.text) : told
})
const colours = shallowRef<readonly Lab[]>([])
const picture = shallowRef<Blob | null>(null)
const waiting = ref(0)
const freshIds = () => ({ candidate: uuidv7(), piece: uuidv7(), seller: uuidv7() })
const ids = ref(freshIds())
/** Tax is mostly reckoned as it was for the last thing noted. */
const lastTax = computed(() => {
  const last = candidates.value.findLast(({ sellerId }) => sellerId !== null)
  return last ? { taxPpm: last.taxPpm, taxIncluded: last.taxIncluded, deliveryTaxed: last.deliveryTaxed } : null
})

const sighting = computed((): Sighting | null => {
  const { piece, name, price, size, seller, colours: typed } = form.fields
  const [amount, measured, further] = [price.read(price.text), size.read(size.text), typed.read(typed.text)]
  const known = sellers.value.find(
    (row) => row.name.toLocaleLowerCase('en') === seller.text.trim().toLocaleLowerCase('en'),
  )
  const room = rooms.value[0]
  if (!room || piece.text === '') return null
  return {
    candidateId: ids.value.candidate,
    name: name.text.trim() || 'It',
    priceMinor: amount.ok ? amount.value : null,
    size: measured.ok ? measured.value : null,
    seller:
      seller.text.trim() === ''
        ? null
        : { id: known?.id ?? ids.value.seller, name: seller.text.trim(), known: known !== undefined },
    tax: lastTax.value,
    colours: [...colours.value, ...(further.ok ? further.value : [])],
    piece: pieces.value.some(({ id }) => id === piece.text)
      ? { id: piece.text }
      : { newId: ids.value.piece, roomId: room.id, categoryId: piece.text },
  }
})
const verdicts = computed((): readonly Verdict[] => {
  const { opened, reckoning } = makeover
  return opened && reckoning && sighting.value
    ? judgeSighting(
        opened,
        reckoning.money,
        reckoning.practice.rules,
        sighting.value,
        opened.today,
        uuidv7,
        reckoning.dates,
      )
    : []
})
const lately = computed(() =>
  candidates.value
    .filter(({ priceKind }) => priceKind === 'seen')
    .slice(-6)
    .toReversed(),
)
const marks = { good: null, bad: 'look', open: 'note' } as const

async function send(): Promise<void> {
  const { opened } = makeover
  if (opened) waiting.value = await sendPictures(opened.makeover.id, opened.today, makeover.change)
}
async function save(): Promise<void> {
  const done = await submit(async ({ name }) => {
    const [seen, opened] = [sighting.value, makeover.opened]
    if (!seen || !opened) return [{ field: 'piece', message: 'is not chosen yet' }]
    const faults = await makeover.change(
      `Saw “${name}”${seen.seller ? ` at ${seen.seller.name}` : ''}`,
      keepSighting(seen, opened.today, uuidv7),
    )
    if (faults.length === 0 && picture.value)
      await keepPicture(opened.makeover.id, seen.candidateId, name, picture.value)
    return faults
  })
  if (!done) return
  say(`${form.fields.name.text} is kept as a candidate.`)
  ids.value = freshIds()
  const shop = form.fields.seller.text
  reset()
  form.fields.seller.text = shop // the next thing is seen in the same shop
  colours.value = []
  picture.value = null
  await send()
}
void send()
</script>

<template>
  <div class="shop">
    <div class="page-head">
      <h1>Seen in a shop</h1>
      <span class="quiet">four fields now, the rest when you are back</span>
      <router-link class="word" :to="{ name: 'calculators' }">Calculators</router-link>
    </div>
    <p v-if="categories.length === 0" class="opening">
      What is bought is counted within the budget.
      <router-link :to="{ name: 'brief', params: { id: $route.params.id } }">Draft the budget</router-link> first.
    </p>
    <form v-else novalidate @submit.prevent="save">
      <PictureTap v-model:colours="colours" :key="ids.candidate" @picture="picture = $event" />
      <div class="fields">
        <FieldChoice
          :field="form.fields.piece"
          label="What it is for"
          :options="[...optionsOf(pieces), ...somethingNew]"
        />
        <FieldText :field="form.fields.name" label="What it is" />
        <FieldText :field="form.fields.price" label="Price" :unit="makeover.currency" keypad="decimal" />
        <FieldText :field="form.fields.size" label="Size" optional :unit="entry.unit" hint="width × depth × height" />
        <FieldText :field="form.fields.seller" label="Shop" optional :known="sellers.map(({ name }) => name)" />
      </div>
      <LookFor :thing="thing" />
      <details>
        <summary>Its colour another way</summary>
        <FieldColour :field="form.fields.colours" label="Colours" optional several />
      </details>
      <ul v-if="verdicts.length > 0" class="verdicts" aria-label="What can be said at once" aria-live="polite">
        <li v-for="verdict in verdicts" :key="verdict.about" :class="verdict.is">
          <RemarkMark v-if="marks[verdict.is]" :weight="marks[verdict.is] ?? 'note'" />
          {{ verdict.words }}
        </li>
      </ul>
      <p v-for="fault in form.faults" :key="fault" class="stop-line" role="alert">{{ fault }}</p>
      <p v-if="waiting > 0" class="quiet">
        {{ waiting === 1 ? 'One picture waits' : `${waiting} pictures wait` }} for the server, and will be sent.
      </p>
      <el-button type="primary" native-type="submit" :loading="form.busy">Keep it</el-button>
    </form>
    <Teleport defer to="#tag">
      <section class="tag">
        <span class="hole" aria-hidden="true" />
        <h2>Seen lately</h2>
        <ul v-if="lately.length > 0">
          <li v-for="row in lately" :key="row.id">
            <router-link :to="{ name: 'piece', params: { id: $route.params.id, pieceId: row.pieceId } }">{{
              row.name
            }}</router-link>
          </li>
        </ul>
        <p v-else class="quiet">What you keep here stands beside the other candidates of its piece.</p>
      </section>
    </Teleport>
  </div>
</template>

<style scoped>
.shop form {
  display: grid;
  gap: 12px;
  max-width: 860px;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 0 16px;
}
.verdicts {
  display: grid;
  gap: 6px;
  border-top: 1.5px solid var(--ink);
  border-bottom: 1px solid var(--hairline);
  padding: 8px 0;
}
.verdicts .bad {
  font-weight: 600;
}
@media (max-width: 720px) {
  .fields {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
