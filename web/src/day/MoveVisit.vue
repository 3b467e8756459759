<script setup lang="ts">
import type { CorrectVisit, DayView, Swap, VisitView } from '@peen/contract'
import AskOnce from '../components/AskOnce.vue'
import { computed, ref } from 'vue'
import { t } from '../words'

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
      ><span class="muted block">{{ t('day.table') }}</span>
      <select v-model="tableId" class="field h-12 w-[110px]">
        <option v-for="table in view.tables" :key="table.id" :value="table.id">{{ t('day.tableNumber', { number: table.number }) }}</option>
      </select></label
    >
    <template v-if="!visit.begun">
      <label
        ><span class="muted block">{{ t('day.apprentice2') }}</span>
        <select v-model="apprenticeId" class="field h-12 w-[150px]">
          <option v-for="one in view.people.filter(({ role }) => role === 'apprentice')" :key="one.id" :value="one.id">
            {{ one.givenName }}
          </option>
        </select></label
      >
      <label
        ><span class="muted block">{{ t('day.day2') }}</span
        ><input v-model="onDate" class="field h-12 w-[170px]" type="date" :min="view.today"
      /></label>
      <label
        ><span class="muted block">{{ t('day.trim') }}</span>
        <select v-model="standardId" class="field h-12 w-[230px]">
          <option v-for="trim in view.trims" :key="trim.id" :value="trim.id">{{ trim.name }}</option>
        </select></label
      >
    </template>
    <button class="btn">{{ t('day.move') }}</button>
    <button v-if="!visit.begun" type="button" class="btn btn-quiet" @click="cancels = true">{{ t('day.cancelVisit') }}</button>
    <fieldset class="flex basis-full flex-wrap items-end gap-2">
      <legend class="muted">{{ t('day.enteredWronglyYouCanCorrect') }}</legend>
      <label v-if="visit.begun"
        ><span class="muted block">{{ t('day.apprentice2') }}</span>
        <select v-model="apprenticeId" class="field h-12 w-[150px]">
          <option v-for="one in view.people.filter(({ role }) => role === 'apprentice')" :key="one.id" :value="one.id">
            {{ one.givenName }}
          </option>
        </select></label
      >
      <label
        ><span class="muted block">{{ t('day.dog') }}</span>
        <select v-model="dogId" class="field h-12 w-[150px]">
          <option v-for="one in view.dogs" :key="one.id" :value="one.id">{{ one.name }}</option>
        </select></label
      >
      <button type="button" class="btn btn-quiet" :disabled="!isOther" @click="emit('correct', { apprenticeId, dogId })">
        {{ t('day.correct') }}
      </button>
    </fieldset>
    <AskOnce
      :open="cancels"
      :title="t('day.cancelDogSVisit', { dog: visit.dog })"
      :says="[
        t('day.freesApprenticeTableTableNumber', { apprentice: visit.apprentice, tableNumber: visit.tableNumber }),
        t('day.checkChoicesDeleted')
      ]"
      :action="t('day.cancelVisit')"
      :working="t('day.cancelling')"
      :run="async () => emit('cancel')"
      @close="cancels = false"
    />
    <template v-if="other">
      <label class="basis-full sm:basis-auto"
        ><span class="muted block">{{ t('day.swap') }}</span>
        <select v-model="otherId" class="field h-12 w-[230px]">
          <option v-for="one in others" :key="one.id" :value="one.id">
            {{ t('day.tableTableNumberXDog', { tableNumber: one.tableNumber, x: one.apprentice.split(' ')[0], dog: one.dog }) }}
          </option>
        </select></label
      >
      <button type="button" class="btn btn-quiet" @click="emit('swap', { with: otherId, what: 'tables' })">
        {{ t('day.swapTables') }}
      </button>
      <button
        v-if="!visit.begun && !other.begun"
        type="button"
        class="btn btn-quiet"
        @click="emit('swap', { with: otherId, what: 'dogs' })"
      >
        {{ t('day.swapDogs') }}
      </button>
    </template>
  </form>
</template>
