<script setup lang="ts">
import { computed, ref } from 'vue'
import { recurring, wordsIn } from '#core/brief/index.ts'
import type { Row } from '#core/makeover/kinds.ts'
import FilesOf from '../files/FilesOf.vue'
import RowDialog from '../parts/RowDialog.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { inspirationForm } from './forms.ts'

/** The pictures they like, and what keeps recurring in them. */
const makeover = useMakeover()
const clippings = useRows('inspiration')
const found = computed(() => (makeover.opened ? recurring(makeover.opened.makeover) : null))
const groups = computed(() =>
  found.value
    ? ([
        ['Materials', found.value.materials],
        ['Hues', found.value.hues],
        ['Words', found.value.words],
      ] as const)
    : [],
)
const edited = ref<Row<'inspiration'> | null>(null)
const open = ref(false)
const form = inspirationForm()
function openForm(row: Row<'inspiration'> | null): void {
  edited.value = row
  open.value = true
}
</script>

<template>
  <section aria-labelledby="collection-title">
    <div class="section-head">
      <h2 id="collection-title">The collection</h2>
      <button type="button" class="word" @click="openForm(null)">Add a picture or clipping</button>
    </div>
    <p v-if="clippings.length === 0" class="quiet">
      Pictures and clippings they like, with what is liked in each. What recurs is counted: it is mostly the room they
      want.
    </p>
    <template v-else>
      <dl class="recurring">
        <div v-for="[name, words] in groups" :key="name">
          <dt class="label">{{ name }}</dt>
          <dd>
            <template v-for="(word, at) in words.slice(0, 9)" :key="word.word"
              ><span :class="{ often: word.clippings.length > 1 }" :title="word.clippings.join(', ')">{{
                word.clippings.length > 1 ? `${word.word} ${word.clippings.length}` : word.word
              }}</span
              ><template v-if="at < Math.min(words.length, 9) - 1">, </template></template
            >
            <span v-if="words.length === 0" class="quiet">none named</span>
          </dd>
        </div>
      </dl>
      <ul class="clippings">
        <li v-for="row in clippings" :key="row.id">
          <FilesOf :owner="{ inspirationId: row.id }" :name="row.name" pictures />
          <button type="button" class="bare" @click="openForm(row)">
            <strong>{{ row.name }}</strong>
          </button>
          <p v-if="row.liked">{{ row.liked }}</p>
          <p class="quiet">{{ [...wordsIn(row.materials), ...wordsIn(row.hues), ...wordsIn(row.words)].join(', ') }}</p>
        </li>
      </ul>
    </template>
    <RowDialog v-model="open" :form="form" :row="edited" :width="640" />
  </section>
</template>

<style>
.recurring > div {
  display: grid;
  grid-template-columns: 90px 1fr;
  padding: 2px 0;
}
.recurring .often {
  font-weight: 700;
}
.clippings {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 14px 20px;
  margin-top: 10px;
  font-size: 13px;
  line-height: 18px;
}
.clippings .bare:hover {
  text-decoration: underline;
}
.clippings .bare {
  min-height: 24px;
}
</style>
