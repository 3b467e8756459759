<script setup lang="ts">
import { ask } from '../api/client'
import TableIn from '../components/TableIn.vue'

defineEmits<{ in: [count: number] }>()
const show = (file: File) => ask('previewCohort', { file })
const take = (file: File) => ask('letCohortIn', { file })
</script>

<template>
  <TableIn
    title="A whole cohort from a table"
    :show="show"
    :take="take"
    refused="No one can be added yet"
    data-cohort-table
    @in="$emit('in', $event)"
  >
    A CSV table with the columns givenName, familyName, email, cohort and, if you like, username.
    <template #held="{ held, takeIn }">
      <ul class="row-rule m-0 mt-2 list-none p-0">
        <li v-for="one in held.people" :key="one.line" class="py-1.5">
          <b>{{ one.givenName }} {{ one.familyName }}</b>
          <span class="muted ml-2">{{ one.username }}, {{ one.email }}, {{ one.cohort }}</span>
        </li>
      </ul>
      <p v-if="held.newCohorts.length" class="mt-2">
        New {{ held.newCohorts.length === 1 ? 'cohort' : 'cohorts' }}: {{ held.newCohorts.join(', ') }}, beginning today.
      </p>
      <button class="btn btn-go mt-3" @click="takeIn">
        Let {{ held.people.length === 1 ? 'this one' : `all ${held.people.length}` }} in, with a letter each
      </button>
    </template>
  </TableIn>
</template>
