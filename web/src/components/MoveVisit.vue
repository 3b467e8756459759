<script setup lang="ts">
import type { DayView, VisitView } from '@peen/contract'
import { ref } from 'vue'

// The keys' way to move a planned visit: another table, apprentice or day, or not at all.
const props = defineProps<{ view: DayView; visit: VisitView }>()
const emit = defineEmits<{ move: [to: { tableId: string; apprenticeId: string; onDate: string; standardId: string }]; cancel: [] }>()
const standardId = ref(props.visit.trimId)
const tableId = ref(props.visit.tableId)
const apprenticeId = ref(props.visit.apprenticeId)
const onDate = ref(props.view.onDate)
</script>

<template>
  <form class="flex flex-wrap items-end gap-2 py-2" @submit.prevent="emit('move', { tableId, apprenticeId, onDate, standardId })">
    <label
      ><span class="muted block">Table</span>
      <select v-model="tableId" class="field h-12 w-[110px]">
        <option v-for="table in view.tables" :key="table.id" :value="table.id">Table {{ table.number }}</option>
      </select></label
    >
    <label
      ><span class="muted block">Apprentice</span>
      <select v-model="apprenticeId" class="field h-12 w-[150px]">
        <option v-for="one in view.people.filter(({ role }) => role === 'apprentice')" :key="one.id" :value="one.id">
          {{ one.givenName }}
        </option>
      </select></label
    >
    <label><span class="muted block">Day</span><input v-model="onDate" class="field h-12 w-[170px]" type="date" :min="view.today" /></label>
    <label
      ><span class="muted block">Trim</span>
      <select v-model="standardId" class="field h-12 w-[230px]">
        <option v-for="trim in view.trims" :key="trim.id" :value="trim.id">{{ trim.name }}</option>
      </select></label
    >
    <button class="btn">Move it</button>
    <button type="button" class="btn btn-quiet" @click="emit('cancel')">Take it back</button>
  </form>
</template>
