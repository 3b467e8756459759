<script setup lang="ts">
import type { CorrectVisit, DayView, Swap, VisitView } from '@peen/contract'
import AskOnce from '../components/AskOnce.vue'
import { computed, ref } from 'vue'

// The keys' way to move a visit: another table, apprentice, day or trim, a swap with another, or not at all. One that has begun changes its table only.
const props = defineProps<{ view: DayView; visit: VisitView }>()
const emit = defineEmits<{
  move: [to: { tableId?: string; apprenticeId?: string; onDate?: string; standardId?: string }]
  swap: [swap: Swap]
  cancel: []
  correct: [right: CorrectVisit]
}>()
const cancels = ref(false)
const dogId = ref(props.visit.dogId)
/** a visit that is begun: whoever was entered wrongly is put right, what was done stays */
const isOther = computed(() => dogId.value !== props.visit.dogId || apprenticeId.value !== props.visit.apprenticeId)
const standardId = ref(props.visit.trimId)
const tableId = ref(props.visit.tableId)
const apprenticeId = ref(props.visit.apprenticeId)
const onDate = ref(props.view.onDate)
const others = computed(() => props.view.visits.filter(({ id, closed }) => id !== props.visit.id && !closed))
const otherId = ref(others.value[0]?.id ?? '')
const other = computed(() => others.value.find(({ id }) => id === otherId.value) ?? null)
function move(): void {
  const everything = { tableId: tableId.value, apprenticeId: apprenticeId.value, onDate: onDate.value, standardId: standardId.value }
  emit('move', props.visit.begun ? { tableId: tableId.value } : everything)
}
</script>

<template>
  <form class="flex flex-wrap items-end gap-2 py-2" @submit.prevent="move">
    <label
      ><span class="muted block">Table</span>
      <select v-model="tableId" class="field h-12 w-[110px]">
        <option v-for="table in view.tables" :key="table.id" :value="table.id">Table {{ table.number }}</option>
      </select></label
    >
    <template v-if="!visit.begun">
      <label
        ><span class="muted block">Apprentice</span>
        <select v-model="apprenticeId" class="field h-12 w-[150px]">
          <option v-for="one in view.people.filter(({ role }) => role === 'apprentice')" :key="one.id" :value="one.id">
            {{ one.givenName }}
          </option>
        </select></label
      >
      <label
        ><span class="muted block">Day</span><input v-model="onDate" class="field h-12 w-[170px]" type="date" :min="view.today"
      /></label>
      <label
        ><span class="muted block">Trim</span>
        <select v-model="standardId" class="field h-12 w-[230px]">
          <option v-for="trim in view.trims" :key="trim.id" :value="trim.id">{{ trim.name }}</option>
        </select></label
      >
    </template>
    <button class="btn">Move it</button>
    <button v-if="!visit.begun" type="button" class="btn btn-quiet" @click="cancels = true">Cancel the visit</button>
    <fieldset class="flex basis-full flex-wrap items-end gap-2">
      <legend class="muted">Entered wrongly? As long as nothing of it is signed:</legend>
      <label v-if="visit.begun"
        ><span class="muted block">Apprentice</span>
        <select v-model="apprenticeId" class="field h-12 w-[150px]">
          <option v-for="one in view.people.filter(({ role }) => role === 'apprentice')" :key="one.id" :value="one.id">
            {{ one.givenName }}
          </option>
        </select></label
      >
      <label
        ><span class="muted block">Dog</span>
        <select v-model="dogId" class="field h-12 w-[150px]">
          <option v-for="one in view.dogs" :key="one.id" :value="one.id">{{ one.name }}</option>
        </select></label
      >
      <button type="button" class="btn btn-quiet" :disabled="!isOther" @click="emit('correct', { apprenticeId, dogId })">
        Put it right
      </button>
    </fieldset>
    <AskOnce
      :open="cancels"
      :title="`Cancel the visit of ${visit.dog}?`"
      :says="[`${visit.apprentice} and table ${visit.tableNumber} are free again.`, 'What was found and chosen for it goes with it.']"
      action="Cancel the visit"
      working="Cancelling …"
      :run="async () => emit('cancel')"
      @close="cancels = false"
    />
    <template v-if="other">
      <label class="basis-full sm:basis-auto"
        ><span class="muted block">Swap with</span>
        <select v-model="otherId" class="field h-12 w-[230px]">
          <option v-for="one in others" :key="one.id" :value="one.id">
            Table {{ one.tableNumber }}: {{ one.apprentice.split(' ')[0] }}, {{ one.dog }}
          </option>
        </select></label
      >
      <button type="button" class="btn btn-quiet" @click="emit('swap', { with: otherId, what: 'tables' })">Swap tables</button>
      <button
        v-if="!visit.begun && !other.begun"
        type="button"
        class="btn btn-quiet"
        @click="emit('swap', { with: otherId, what: 'dogs' })"
      >
        Swap dogs
      </button>
    </template>
  </form>
</template>
