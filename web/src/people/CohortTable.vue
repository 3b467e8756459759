<script setup lang="ts">
import { ask } from '../api/client'
import TableIn from '../components/TableIn.vue'
import { t } from '../words'

defineEmits<{ in: [count: number] }>()
const show = (file: File) => ask('previewCohort', { file })
const take = (file: File) => ask('letCohortIn', { file })
</script>

<template>
  <TableIn
    :title="t('people.importCohort')"
    :show="show"
    :take="take"
    :refused="t('people.noOneCanAddedYet')"
    data-cohort-table
    @in="$emit('in', $event)"
  >
    {{ t('people.csvFileColumnsGivenNameFamilyName') }}
    <template #held="{ held, takeIn }">
      <ul class="row-rule m-0 mt-2 list-none p-0">
        <li v-for="one in held.people" :key="one.line" class="py-1.5">
          <b>{{ one.givenName }} {{ one.familyName }}</b>
          <span class="muted ml-2">{{ one.username }}, {{ one.email }}, {{ one.cohort }}</span>
        </li>
      </ul>
      <p v-if="held.newCohorts.length" class="mt-2">
        {{
          t('people.newNStartingTodayNewCohorts', {
            n: held.newCohorts.length === 1 ? t('people.cohort') : t('people.cohorts'),
            newCohorts: held.newCohorts.join(', ')
          })
        }}
      </p>
      <button class="btn btn-go mt-3" @click="takeIn">
        {{ t('people.addAllWithLetters', { n: held.people.length }) }}
      </button>
    </template>
  </TableIn>
</template>
