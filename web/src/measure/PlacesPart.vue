<script setup lang="ts">
import { LEAST_LINE_POINTS, LINES, PLACES, type LineId, type PhotoPlace } from '@peen/core/measure'
import { computed } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import { GIVE_OR_TAKE, giveOrTake } from '@peen/core/units'
import NumberBox from '../library/NumberBox.vue'
import type { Photo } from './usePhoto'
import { t } from '../words'

// Places and lines that this trim's criteria need: proposed where the outline tells them, agreed to or dragged by hand.
const props = defineProps<{ photo: Photo }>()
defineEmits<{ point: [] }>()
const place = defineModel<PhotoPlace | null>('place', { required: true })
const line = defineModel<LineId | null>('line', { required: true })
const marks = computed(() => props.photo.marks.value)
const hasProposed = computed(() => props.photo.untouched.value.some((id) => marks.value.places[id]))
/** what only a hand may put, and has not yet */
const missingMiddle = computed(() => props.photo.places.some((id) => PLACES[id].middle && !marks.value.places[id]))
const unit = computed(() => (marks.value.scale ? 'mm' : 'px'))
function sureTo(id: PhotoPlace): number | null {
  const place = marks.value.places[id]
  return place ? Math.round((10 * place.uPx) / props.photo.perMm.value) / 10 : null
}
function sayPlace(id: PhotoPlace): string {
  const u = sureTo(id)
  if (u === null) return t('measure.touchPicture')
  const { touched, agreed } = marks.value.places[id]!
  const how = !touched ? 'suggested' : agreed ? 'agreed' : 'set'
  return t('measure.placeHow', { how, u: giveOrTake(u), unit: unit.value })
}
function draw(id: LineId): void {
  line.value = line.value === id ? null : id
  place.value = null
}
function choose(id: PhotoPlace): void {
  place.value = place.value === id ? null : id
  line.value = null
}
</script>

<template>
  <div data-places>
    <p v-if="photo.places.length === 0 && photo.lines.length === 0" class="leading-[1.35]">
      {{ t('measure.noCriterionTrimNeedsPoint') }}
    </p>
    <template v-if="photo.places.length">
      <p class="leading-[1.35]">
        <template v-if="hasProposed">{{ t('measure.dashedPointsSuggestionsDragEach') }}</template><template v-else>{{
          t('measure.everyPointPlacedOrConfirmed')
        }}</template>
      </p>
      <button v-if="hasProposed" class="btn btn-go mt-2 w-full" @click="photo.agree">{{ t('measure.allPointsRight') }}</button>
      <p v-if="marks.scale" class="muted mt-2 leading-[1.3]">{{ t('measure.pointsHowSure') }}</p>
      <p v-if="missingMiddle" class="mt-2 leading-[1.35]">{{ t('measure.middlePointsByHand') }}</p>
      <ul class="mt-2 mb-0 list-none p-0">
        <li v-for="id in photo.places" :key="id" class="border-b border-line">
          <button
            class="flex min-h-11 w-full items-center gap-2 px-1 py-1 leading-[1.2]"
            :class="place === id && 'bg-well'"
            :aria-pressed="place === id"
            :data-place="id"
            @click="choose(id)"
          >
            <GlyphMark
              :name="marks.places[id]?.touched ? 'meets' : marks.places[id] ? 'cannotTell' : 'missing'"
              :size="16"
              class="flex-none"
            />
            <span class="flex-1">{{ PLACES[id].name }}</span>
            <span class="muted">{{ sayPlace(id) }}</span>
          </button>
          <NumberBox
            v-if="place === id && marks.places[id]"
            class="mx-1 mb-2"
            :label="t('measure.giveOrTakeUnitStandard', { unit })"
            :value="GIVE_OR_TAKE * sureTo(id)!"
            :low="0.1"
            :high="50"
            @put="(value) => value !== null && photo.setPlaceU(id, value / GIVE_OR_TAKE)"
          />
        </li>
      </ul>
    </template>
    <template v-if="photo.lines.length">
      <h2 class="mt-4">{{ t('measure.linesDraw') }}</h2>
      <ul class="mt-1 mb-0 list-none p-0">
        <li v-for="id in photo.lines" :key="id" class="border-b border-line">
          <button
            class="flex min-h-11 w-full items-center gap-2 px-1 py-1 leading-[1.2]"
            :class="line === id && 'bg-well'"
            :aria-pressed="line === id"
            :data-line="id"
            @click="draw(id)"
          >
            <GlyphMark :name="(marks.lines[id]?.length ?? 0) >= LEAST_LINE_POINTS ? 'meets' : 'missing'" :size="16" class="flex-none" />
            <span class="flex-1">{{ LINES[id].name }}</span>
            <span class="muted">{{
              t('measure.nLeastLeastlinepoints', { n: marks.lines[id]?.length ?? 0, leastlinepoints: LEAST_LINE_POINTS })
            }}</span>
          </button>
        </li>
      </ul>
      <p v-if="line" class="mt-2 flex items-center justify-between gap-3 leading-[1.3]">
        {{ t('measure.touchFiveOrMorePlaces') }}
        <button class="btn btn-quiet min-h-11 px-3 py-1 text-[16px]" @click="$emit('point')">{{ t('measure.placeOneThenMove') }}</button>
        <button v-if="marks.lines[line]?.length" class="btn btn-quiet min-h-11 px-3 py-1 text-[16px]" @click="photo.setLine(line, [])">
          {{ t('measure.drawAgain') }}
        </button>
      </p>
    </template>
  </div>
</template>
