<script setup lang="ts">
import { computed } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import PartTabs from '../components/PartTabs.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { sayDate } from '../composables/words'
import { useSessionStore } from '../stores/session'
import CheckInPart from '../visit/CheckInPart.vue'
import ClosingPart from '../visit/ClosingPart.vue'
import SetUpPart from '../visit/SetUpPart.vue'
import TablePart from '../visit/TablePart.vue'
import { useVisit } from '../visit/useVisit'

// One visit from the door to the door: what came in, with what it is set up, how it is closed.
const props = defineProps<{ id: string; part?: string }>()
const session = useSessionStore()
const visit = useVisit(() => props.id)
const { data, error, loading, reload, refused, draft, sheet } = visit
const PARTS = [
  { id: 'check-in', name: 'Check-in' },
  { id: 'set-up', name: 'Set-up sheet' },
  { id: 'table', name: 'For the table' },
  { id: 'closing', name: 'Closing' }
] as const
const here = computed(() => PARTS.find(({ id }) => id === props.part)?.id ?? 'check-in')
const shown = computed(() => ({ 'check-in': CheckInPart, 'set-up': SetUpPart, table: TablePart, closing: ClosingPart })[here.value])
</script>

<template>
  <TopLine
    :what="
      data
        ? `${data.dog.name} with ${data.apprentice.givenName}, table ${data.tableNumber}, ${sayDate(data.onDate, session.school?.now)}`
        : 'Visit'
    "
  />
  <ViewState v-if="!data || !draft || !sheet" :loading="loading" :error="error" @retry="reload" />
  <component :is="shown" v-else :key="here" :page="data" :visit="visit">
    <PartTabs name="Parts of the visit" :base="`/visits/${id}`" :here="here" :parts="PARTS" />
    <p v-if="data.dog.standing" class="mb-2 bg-danger-tint p-2 font-semibold text-danger">
      <GlyphMark name="hold" :size="17" class="mr-1 align-[-3px]" />{{ data.dog.name }} is {{ data.dog.standing.kind }}:
      {{ data.dog.standing.reason }}.
    </p>
    <p v-if="refused" class="mb-2 flex flex-wrap items-center gap-3 font-semibold text-danger" role="alert">
      {{ refused }} <button class="btn btn-quiet min-h-11 px-3 text-[16px]" @click="visit.loadAgain()">Load the visit again</button>
    </p>
  </component>
</template>
