<script setup lang="ts">
import { ask } from '../api/client'
import TableIn from '../components/TableIn.vue'
import { t } from '../words'

defineEmits<{ in: [count: number] }>()
const show = (file: File) => ask('previewDogs', { file })
const take = (file: File) => ask('takeDogsIn', { file })
</script>

<template>
  <TableIn
    :title="t('dogs.importDogs')"
    :show="show"
    :take="take"
    :refused="t('dogs.noDogsCanAddedYet')"
    data-dog-table
    @in="$emit('in', $event)"
  >
    {{ t('dogs.csvFileColumnsNameBodyType') }}
    <template #held="{ held, takeIn }">
      <ul class="row-rule m-0 mt-2 list-none p-0">
        <li v-for="one in held.dogs" :key="one.line" class="py-1.5">
          <b>{{ one.name }}</b>
          <span class="muted ml-2">{{ t('dogs.breedWithersMmMm', { breed: one.breed || one.coat, withersMm: one.withersMm }) }}</span>
        </li>
      </ul>
      <button class="btn btn-go mt-3" @click="takeIn">
        {{ t('dogs.addAll', { n: held.dogs.length }) }}
      </button>
    </template>
  </TableIn>
</template>
