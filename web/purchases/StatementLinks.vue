<script setup lang="ts">
import { useRoute } from 'vue-router'

/** The statements as papers and tables: for the client, and for the studio with its margins. */
const route = useRoute()
const statement = (kind: string, ending: string): string =>
  `/api/makeovers/${String(route.params.id)}/${kind}-statement.${ending}`
</script>

<template>
  <section class="papers" aria-labelledby="papers-title">
    <h2 id="papers-title">Statements</h2>
    <p>
      For the client: <a :href="statement('client', 'pdf')">PDF</a> <a :href="statement('client', 'csv')">CSV</a
      >{{ ' ' }}
      <a :href="statement('client', 'xlsx')">XLSX</a>
    </p>
    <p>
      For the studio, with its margins: <a :href="statement('studio', 'pdf')">PDF</a>{{ ' ' }}
      <a :href="statement('studio', 'csv')">CSV</a> <a :href="statement('studio', 'xlsx')">XLSX</a>{{ ' ' }}
      <a :href="`/api/makeovers/${$route.params.id}/journal.txt`">journal for a ledger program</a>
    </p>
  </section>
</template>

<style>
.papers {
  margin-top: 24px;
}
.papers a {
  margin-right: 10px;
}
</style>
