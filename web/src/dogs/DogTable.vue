<script setup lang="ts">
import { ask } from '../api/client'
import TableIn from '../components/TableIn.vue'

defineEmits<{ in: [count: number] }>()
const show = (file: File) => ask('previewDogs', { file })
const take = (file: File) => ask('takeDogsIn', { file })
</script>

<template>
  <TableIn title="Dogs from a table" :show="show" :take="take" refused="No dog can be added yet" data-dog-table @in="$emit('in', $event)">
    A CSV table with the columns name, bodyType, coat, colour, withersMm, canStandMin, temperament and, if you like, breed, dislikes, owner
    and contact.
    <template #held="{ held, takeIn }">
      <ul class="row-rule m-0 mt-2 list-none p-0">
        <li v-for="one in held.dogs" :key="one.line" class="py-1.5">
          <b>{{ one.name }}</b> <span class="muted ml-2">{{ one.breed || one.coat }}, {{ one.withersMm }} mm</span>
        </li>
      </ul>
      <button class="btn btn-go mt-3" @click="takeIn">Take {{ held.dogs.length === 1 ? 'this one' : `all ${held.dogs.length}` }} in</button>
    </template>
  </TableIn>
</template>
