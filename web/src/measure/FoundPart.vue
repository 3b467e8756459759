<script setup lang="ts">
import type { GradingView } from '@peen/contract'
import { answersFrom, sayPlace, type PictureMeasured, type SideKey } from '@peen/core/grade'
import { REGION_VIEWS, type SideCompared, type SkinReading } from '@peen/core/measure'
import { regionName, type RegionId } from '@peen/core/regions'
import { GIVE_OR_TAKE, giveOrTake, sayNumber, upperFirst } from '@peen/core/units'
import { computed } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import type { Photo } from './usePhoto'
import { t } from '../words'

// What the picture says, first things first; what it cannot say, and why; what it answers on the grade sheet.
const props = defineProps<{ photo: Photo; grading: GradingView; skin: readonly SkinReading[]; chosen: string | null }>()
const emit = defineEmits<{ choose: [key: string | null] }>()

const result = computed(() => props.photo.result.value)
const answers = computed(() => {
  if (!result.value) return []
  const { standard } = props.grading
  return answersFrom(standard, props.photo.seen, props.photo.pictureId, result.value.found, result.value.regions, props.skin)
})
const keyOf = ({ id, side }: { id: string; side: string }) => `${id}.${side}`
const measureOf = (key: string) => result.value?.found.measures.find((one) => keyOf(one) === key)
const NAMES = { outline: t('measure.outline'), line: t('measure.drawnLine'), landmarks: t('measure.places') } as const
/** what this criterion was told by an earlier picture, before the trim was corrected */
function earlier(criterionId: string | null): PictureMeasured | null {
  if (!criterionId) return null
  const given = Object.values(props.grading.answers[criterionId] ?? {}).find(
    (one) => one.kind === 'picture' && one.pictureId !== props.photo.pictureId
  )
  return given?.kind === 'picture' ? given : null
}
const lengths = computed(() => answers.value.filter(({ measured }) => measured.measure === 'coatDepth'))
const label = (criterionId: string, side: SideKey) => {
  const criterion = props.grading.standard.criteria.find(({ id }) => id === criterionId)!
  return `${criterion.label}, ${sayPlace(criterion, side).toLowerCase()}`
}
/** regions with a length of their own on this sheet: seen here or not, gauged before or not */
const table = computed(() => {
  const regions = [...new Set(props.grading.standard.criteria.filter(({ how }) => how.kind === 'length').map(({ region }) => region))]
  return regions.map((region: RegionId) => {
    const seen = REGION_VIEWS[region]?.includes(props.photo.seen) ?? false
    const known = props.skin.some((one) => one.region === region && one.seen === props.photo.seen)
    const by = result.value?.regions.find((one) => one.region === region)
    return {
      region,
      word: !seen ? t('measure.notSeenFromHere') : known ? t('measure.fromDogsSkinLine') : t('measure.cannotMeasuredHereUseGauge'),
      seen,
      known,
      by
    }
  })
})
/** an outline that is still asked about compares nothing */
const sides = computed(() => (props.photo.disagreements.value.length > 0 ? [] : props.photo.otherSide.sides.value))
/** as far as both pictures can tell: what lies within its give or take is alike */
function saySides({ region, byMm, u }: SideCompared): string {
  const [name, most] = [upperFirst(regionName(region)), Math.round(Math.abs(byMm) + GIVE_OR_TAKE * u)]
  if (Math.abs(byMm) < GIVE_OR_TAKE * u) return t('measure.sidesAlike', { name, mm: most })
  return t('measure.sideStandsOut', { name, side: byMm > 0 ? 'left' : 'right', mm: Math.round(Math.abs(byMm)), u: giveOrTake(u) })
}
/** from the front, from behind and from above no length is told: a table that says so of every region says nothing */
const showsLengths = computed(() => table.value.some(({ seen }) => seen))
</script>

<template>
  <div data-found>
    <p v-if="photo.measuring.value && !result" role="status">{{ t('measure.measuring') }}</p>
    <p v-if="result?.found.refused" class="flex gap-2 text-[17px] leading-[1.3] font-[650]" role="alert">
      <GlyphMark name="fails" :size="20" class="mt-0.5 flex-none" />{{ result.found.refused }}
    </p>
    <template v-else-if="result">
      <p v-if="photo.disagreements.value.length" class="flex gap-2 pb-2 leading-[1.3] font-[650]" role="alert" data-outline-unsure>
        <GlyphMark name="cannotTell" :size="18" class="mt-0.5 flex-none" />{{
          t('measure.outlineUnsure', { n: photo.disagreements.value.length })
        }}
      </p>
      <p v-if="result.found.yaw" class="muted">
        {{
          t('measure.headTurnedNumberDegreesDeg', {
            number: sayNumber(Math.abs(result.found.yaw.deg)),
            deg:
              Math.abs(result.found.yaw.deg) < 0.1
                ? ''
                : t('measure.ownDeg', { deg: result.found.yaw.deg > 0 ? t('measure.left') : t('measure.right') }),
            number2: giveOrTake(result.found.yaw.u)
          })
        }}
      </p>
      <template v-if="photo.earlier.length">
        <label class="flex min-h-11 items-center gap-3 leading-[1.25]"
          ><input
            type="checkbox"
            class="size-6 flex-none accent-(--act)"
            data-average
            :checked="(photo.marks.value.averaged?.length ?? 0) > 0"
            @change="photo.average(($event.target as HTMLInputElement).checked)"
          />{{ t('measure.averageEarlier', { n: photo.earlier.length }) }}</label
        >
        <p class="muted mb-2 leading-[1.3]">{{ t('measure.averageOnlyUncut') }}</p>
      </template>
      <ol class="m-0 list-none p-0">
        <li v-for="say in result.says" :key="keyOf(say.key)" class="border-b border-line">
          <button
            class="flex w-full gap-2 px-1 py-2 leading-[1.3]"
            :class="chosen === keyOf(say.key) && 'bg-well'"
            :aria-pressed="chosen === keyOf(say.key)"
            :data-say="keyOf(say.key)"
            @click="emit('choose', chosen === keyOf(say.key) ? null : keyOf(say.key))"
          >
            <GlyphMark :name="say.loss > 0 ? 'fails' : 'meets'" :size="18" class="mt-0.5 flex-none" />
            <span
              ><span :class="say.loss > 0 && 'font-[650]'">{{ say.text }}</span>
              <span class="muted block"
                >{{
                  t('measure.numberUnitGiveOrTake', {
                    number: sayNumber(measureOf(keyOf(say.key))!.value),
                    unit: measureOf(keyOf(say.key))!.unit,
                    number2: giveOrTake(measureOf(keyOf(say.key))!.u),
                    from: NAMES[measureOf(keyOf(say.key))!.from]
                  })
                }}<template v-if="(measureOf(keyOf(say.key))!.over?.n ?? 1) > 1">{{
                  t('measure.meanOfPictures', {
                    n: measureOf(keyOf(say.key))!.over!.n,
                    scatter: sayNumber(measureOf(keyOf(say.key))!.over!.scatter),
                    unit: measureOf(keyOf(say.key))!.unit
                  })
                }}</template
                ><template v-else-if="earlier(say.criterionId)">{{
                  t('measure.previousPictureGaveNumber', { number: sayNumber(earlier(say.criterionId)!.value) })
                }}</template></span
              ></span
            >
          </button>
        </li>
      </ol>
      <template v-if="sides.length">
        <h2 class="mt-4">{{ t('measure.bothSides') }}</h2>
        <ul class="m-0 list-none p-0" data-sides>
          <li v-for="one in sides" :key="one.region" class="border-b border-line py-1.5 leading-[1.3]">{{ saySides(one) }}</li>
        </ul>
        <label class="flex min-h-11 items-center gap-3 leading-[1.25]"
          ><input
            type="checkbox"
            class="size-6 flex-none accent-(--act)"
            :checked="photo.otherSide.shown.value"
            @change="photo.otherSide.show(($event.target as HTMLInputElement).checked)"
          />{{ t('measure.layOtherOver') }}</label
        >
      </template>
      <template v-if="result.found.untold.length">
        <h2 class="mt-4">{{ t('measure.notMeasuredYet') }}</h2>
        <ul class="m-0 list-none p-0">
          <li v-for="one in result.found.untold" :key="keyOf(one)" class="muted border-b border-line py-1.5 leading-[1.3]">
            {{ one.name }}{{ one.side === 'whole' ? '' : `, ${one.side}` }}: {{ one.why }}
          </li>
        </ul>
      </template>
      <template v-if="result.radii.length">
        <h2 class="mt-4">{{ t('measure.distanceFromBetweenEyesClock') }}</h2>
        <p class="m-0 leading-[1.4]">
          <span v-for="one in result.radii" :key="one.hour" class="mr-3 inline-block whitespace-nowrap"
            ><b>{{ one.hour || 12 }}</b> {{ t('measure.mmMm', { mm: Math.round(one.mm) })
            }}<span class="muted">{{ t('measure.plannedPlannedMm', { plannedMm: Math.round(one.plannedMm) }) }}</span></span
          >
        </p>
      </template>
      <template v-if="lengths.length">
        <h2 class="mt-4">{{ t('measure.lengthsFromDogsSkinLine') }}</h2>
        <p v-for="one in lengths" :key="one.criterionId" class="m-0 border-b border-line py-1.5">
          {{
            t('measure.criterionIdNumberMmGiveOr', {
              criterionId: label(one.criterionId, one.side),
              number: sayNumber(one.measured.value),
              number2: giveOrTake(one.measured.u)
            })
          }}
        </p>
      </template>
      <h2 v-if="showsLengths" class="mt-4">{{ t('measure.whereLengthsShow') }}</h2>
      <table v-if="showsLengths" class="w-full border-collapse leading-[1.25]">
        <tbody>
          <tr v-for="row in table" :key="row.region" class="border-b border-line">
            <th class="py-1.5 text-left font-normal">{{ upperFirst(regionName(row.region)) }}</th>
            <td class="muted py-1.5">{{ row.word }}</td>
            <td
              class="py-1.5 text-right whitespace-nowrap"
              :class="row.by && (row.by.byMm > 2.5 ? 'text-long' : row.by.byMm < -2.5 ? 'text-short' : '')"
            >
              {{
                row.by && row.seen
                  ? t('measure.numberMmByMmPlan', {
                      number: sayNumber(Math.abs(row.by.byMm)),
                      byMm: row.by.byMm >= 0 ? t('measure.outside') : t('measure.inside')
                    })
                  : ''
              }}
            </td>
          </tr>
        </tbody>
      </table>
      <p class="muted mt-2 leading-[1.3]">
        {{ t('measure.pictureShowsShapeOnlyGauge') }}
      </p>
    </template>
    <p v-else-if="photo.unfit.value" class="flex gap-2 text-[17px] leading-[1.3] font-[650]" role="alert">
      <GlyphMark name="fails" :size="20" class="mt-0.5 flex-none" />{{
        t('measure.doubtsNothingMeasuredUntilYou', { doubts: photo.doubts.value.join(' ') })
      }}
    </p>
    <p v-else-if="!photo.measuring.value" class="leading-[1.35]">{{ t('measure.findOutlineFirst') }}</p>
  </div>
</template>
