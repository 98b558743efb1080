<script setup lang="ts">
import { computed, ref } from 'vue'
import { insteadOf } from '#core/brief/index.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import MoneyAmount from '../parts/MoneyAmount.vue'
import RowDialog from '../parts/RowDialog.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { constraintForm } from './forms.ts'
import { permissionForm } from './answer-forms.ts'
import { useSetting } from '../stores/setting.ts'

/** What may not be done or brought in, what is usual instead, and the permission that was asked. */
const makeover = useMakeover()
const setting = useSetting()
const constraints = useRows('constraint')
const permissions = useRows('permission')
const leave = (row: Row<'constraint'>): string => {
  const asked = permissions.value.filter((permission) => permission.method === row.forbids)
  const found =
    asked.find((permission) => permission.answer === 'yes') ??
    asked.find((permission) => permission.answer === 'waiting') ??
    asked.at(-1)
  return found ? { yes: 'given', no: 'refused', waiting: 'asked, no answer yet' }[found.answer] : 'not asked'
}
const restoring = (row: Row<'permission'>): Row<'piece'> | undefined =>
  row.restorePieceId ? makeover.opened?.makeover.rows.piece[row.restorePieceId] : undefined
const constraint = ref<Row<'constraint'> | null>(null)
const constraintOpen = ref(false)
const permission = ref<Row<'permission'> | null>(null)
const permissionOpen = ref(false)
const forms = computed(() =>
  setting.value ? { constraint: constraintForm(setting.value), permission: permissionForm(setting.value) } : null,
)
function openConstraint(row: Row<'constraint'> | null): void {
  constraint.value = row
  constraintOpen.value = true
}
function openPermission(row: Row<'permission'> | null): void {
  permission.value = row
  permissionOpen.value = true
}
</script>

<template>
  <section aria-labelledby="forbidden-title">
    <div class="section-head">
      <h2 id="forbidden-title">What may not be done or brought in</h2>
      <button type="button" class="word" @click="openConstraint(null)">Add a constraint</button>
    </div>
    <p v-if="constraints.length === 0" class="quiet">
      Nothing is ruled out. A tenancy, children, pets, damp or a listed building: say what it forbids, and everything is
      held against it.
    </p>
    <table v-cards v-else>
      <thead>
        <tr>
          <th>Not allowed</th>
          <th>Because of</th>
          <th>Usual instead</th>
          <th>Permission</th>
          <th><span class="visually-hidden">Change</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in constraints" :key="row.id">
          <td>
            <strong>{{ row.forbids }}</strong>
          </td>
          <td>
            {{ row.reason }}<span v-if="row.note" class="quiet place">{{ row.note }}</span>
          </td>
          <td class="quiet">{{ insteadOf(row.forbids) }}</td>
          <td class="keep">{{ leave(row) }}</td>
          <td class="number">
            <button
              type="button"
              class="word"
              :aria-label="`Change: ${row.reason} forbids ${row.forbids}`"
              @click="openConstraint(row)"
            >
              Change
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <div class="section-head asked">
      <h3>Permissions asked</h3>
      <button type="button" class="word" @click="openPermission(null)">Ask for permission</button>
    </div>
    <table v-cards v-if="permissions.length > 0">
      <thead>
        <tr>
          <th>Asked</th>
          <th>Of whom</th>
          <th>Answer</th>
          <th>Put back</th>
          <th class="number">At a cost of</th>
          <th><span class="visually-hidden">Change</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in permissions" :key="row.id">
          <td>
            <strong>{{ row.ask }}</strong><span class="quiet place"
              >{{ writeDate(row.askedOn) }}, about {{ row.method }}</span
            >
          </td>
          <td>{{ row.askedOf || '–' }}</td>
          <td class="keep">
            <span class="covered" :class="{ yes: row.answer === 'yes' }" aria-hidden="true" />{{ row.answer
            }}<span v-if="row.answeredOn" class="quiet place">{{ writeDate(row.answeredOn) }}</span>
          </td>
          <td class="quiet">{{ row.restore || '–' }}</td>
          <td class="number">
            <MoneyAmount
              v-if="restoring(row)"
              :amount="restoring(row)!.allowanceMinor"
              :currency="makeover.currency"
            /><span v-else class="quiet">–</span>
          </td>
          <td class="number">
            <button type="button" class="word" :aria-label="`Change: ${row.ask}`" @click="openPermission(row)">
              Change
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else class="quiet">No permission was asked.</p>
    <RowDialog v-if="forms" v-model="constraintOpen" :form="forms.constraint" :row="constraint" />
    <RowDialog v-if="forms" v-model="permissionOpen" :form="forms.permission" :row="permission" :width="620" />
  </section>
</template>

<style>
.asked {
  margin-top: 12px;
}
</style>
