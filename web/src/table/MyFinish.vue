<script setup lang="ts">
import { regionName, REGIONS, type RegionId } from '@peen/core/regions'
import { SIDES, type Side } from '@peen/core/practice'
import { computed, ref } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import ToggleButtons from '../components/ToggleButtons.vue'
import type { Table } from './useTable'
import { t } from '../words'

// What the instructor's own hands finish, by place and side: it is no evidence, so the grading comes first.
const props = defineProps<{ table: Table; graded: boolean }>()
const { data, state, tap, standard } = props.table
const regions = ref<RegionId[]>([])
const side = ref<Side>('both')
const mayFinish = computed(() => props.graded || state.value.ranOut !== null)
/** places that this trim does something to, in the order of the dog */
const offered = computed(() => REGIONS.filter(({ id }) => standard.value?.plan.lengthsMm[id] !== undefined).map(({ id }) => id))
const toggle = (id: RegionId) =>
  (regions.value = regions.value.includes(id) ? regions.value.filter((one) => one !== id) : [...regions.value, id])
const places = (ids: readonly RegionId[]) => ids.map((id) => regionName(id).toLowerCase()).join(', ')
function keep(): void {
  tap('instructorFinished', { regions: regions.value, side: side.value }, t('table.whatYouFinished'))
  regions.value = []
}
</script>

<template>
  <p v-for="one in state.byInstructor" :key="one.eventId" class="mt-1 leading-[1.3]">
    <GlyphMark name="meets" :size="16" class="mr-1 align-[-2px]" />{{
      t('table.regionsSideFinishedYouNot', { regions: places(one.regions), side: one.side })
    }}
  </p>
  <p v-if="!mayFinish" class="muted mt-1 leading-[1.35]">
    {{ t('table.gradeFirstTrimMarkedGivenName', { givenName: data?.apprentice.givenName }) }}
  </p>
  <template v-else>
    <ToggleButtons
      class="mt-2"
      role="group"
      :aria-label="t('table.placesYouFinished')"
      :options="offered.map((id) => ({ id, name: regionName(id) }))"
      :is-on="(id) => regions.includes(id)"
      @toggle="toggle"
    />
    <div class="mt-2 flex flex-wrap items-center gap-2">
      <ToggleButtons
        role="group"
        :aria-label="t('table.sideDogsOwn')"
        :options="SIDES.map((id) => ({ id, name: id }))"
        :is-on="(id) => side === id"
        @toggle="(id) => (side = id)"
      />
      <button type="button" :class="['btn', regions.length ? '' : 'btn-not-yet']" :disabled="regions.length === 0" @click="keep">
        {{ regions.length ? t('table.iFinishedThese') : t('table.touchPlacesYouFinished') }}
      </button>
    </div>
  </template>
</template>
