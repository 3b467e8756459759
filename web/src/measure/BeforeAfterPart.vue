<script setup lang="ts">
import type { LastVisit } from '@peen/contract'
import type { CutOff } from '@peen/core/measure'
import { regionName } from '@peen/core/regions'
import { GIVE_OR_TAKE, sayDay, upperFirst } from '@peen/core/units'
import { computed } from 'vue'
import type { Photo } from './usePhoto'
import { tellsCutOff } from './useBeforeAfter'
import { t } from '../words'

// The dog as it came in against the dog as it leaves: what came off, and how fast it had grown.
const props = defineProps<{
  photo: Photo
  gradingId: string
  /** is there a picture of the other moment from this side? */
  hasOther: boolean
  lastVisit: LastVisit | null
}>()

const ahead = computed(() => props.photo.moment === 'after')
const other = computed(() => `/trims/${props.gradingId}/measure/${props.photo.seen}${ahead.value ? '?of=before' : ''}`)
/** an outline that is still asked about compares nothing */
const rows = computed(() => (props.photo.disagreements.value.length > 0 ? [] : props.photo.beforeAfter.rows.value))
/** A month of growth means something only where the coat was left as it is left today. */
const months = computed(() => (props.lastVisit?.sameTrim && props.lastVisit.days > 0 ? props.lastVisit.days / 30 : null))

const isSure = ({ mm, u }: CutOff) => Math.abs(mm) >= GIVE_OR_TAKE * u
const sure = computed(() => rows.value.filter(isSure))
/** places where the two pictures are too alike to tell */
const unsure = computed(() => {
  const names = rows.value.filter((one) => !isSure(one)).map(({ region }) => regionName(region).toLowerCase())
  return names.length === 0 ? null : t('measure.cutOffUnsure', { names: names.join(', ') })
})
function say({ region, mm, u }: CutOff): string {
  const told = { name: upperFirst(regionName(region)), mm: Math.round(Math.abs(mm)), within: Math.round(GIVE_OR_TAKE * u) }
  return mm < 0 ? t('measure.standsOutNow', told) : t('measure.cutOff', told)
}
</script>

<template>
  <section v-if="tellsCutOff(photo.seen)" class="mt-4" data-before-after>
    <h2>{{ t('measure.beforeAndAfter') }}</h2>
    <p v-if="!hasOther" class="muted leading-[1.3]">{{ t('measure.noBeforePicture') }}</p>
    <p v-else-if="!photo.beforeAfter.hasOther.value" class="leading-[1.3]">
      <RouterLink :to="other" class="btn btn-quiet min-h-11">{{
        ahead ? t('measure.measureBefore') : t('measure.measureAfter')
      }}</RouterLink>
    </p>
    <template v-else>
      <p v-if="rows.length === 0" class="muted leading-[1.3]">
        {{
          photo.disagreements.value.length > 0
            ? t('measure.outlineUnsure', { n: photo.disagreements.value.length })
            : t('measure.nothingCompared')
        }}
      </p>
      <ul v-else class="m-0 list-none p-0" data-cut-off>
        <li v-for="one in sure" :key="one.region" class="border-b border-line py-1.5 leading-[1.3]">
          {{ say(one)
          }}<span v-if="months && one.mm > 0" class="muted">{{ t('measure.aMonth', { mm: Math.round(one.mm / months) }) }}</span>
        </li>
        <li v-if="unsure" class="muted border-b border-line py-1.5 leading-[1.3]">{{ unsure }}</li>
      </ul>
      <p v-if="rows.length > 0" class="muted mt-1 leading-[1.3]">{{ t('measure.standsOutNote') }}</p>
      <p v-if="months && lastVisit" class="muted mt-1 leading-[1.3]">
        {{ t('measure.sinceLastTrim', { day: sayDay(lastVisit.onDate), days: lastVisit.days }) }}
      </p>
      <label class="flex min-h-11 items-center gap-3 leading-[1.25]"
        ><input
          type="checkbox"
          class="size-6 flex-none accent-(--act)"
          :checked="photo.beforeAfter.shown.value"
          @change="photo.beforeAfter.show(($event.target as HTMLInputElement).checked)"
        />{{ ahead ? t('measure.layBeforeOver') : t('measure.layAfterOver') }}</label
      >
      <RouterLink v-if="ahead" :to="other" class="btn btn-quiet min-h-11">{{ t('measure.openBefore') }}</RouterLink>
    </template>
  </section>
</template>
