<script setup lang="ts">
import type { Draft, PictureView } from '@peen/contract'
import { answersFrom, criteriaSeen } from '@peen/core/grade'
import { SEEN, sideSeen, viewOf, type Seen } from '@peen/core/measure'
import { useWindowSize } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { onBeforeRouteUpdate, useRouter } from 'vue-router'
import { ask, sentenceOf } from '../api/client'
import GlyphMark from '../components/GlyphMark.vue'
import SheetDialog from '../components/SheetDialog.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useKeys } from '../composables/useKeys'
import { useAsked } from '../composables/useAsked'
import { fillAnswers } from './fill'
import BeforeAfterPart from './BeforeAfterPart.vue'
import { otherMoment, tellsCutOff, type Moment } from './useBeforeAfter'
import { otherProfile } from './useOtherSide'
import { seenName } from './drawing'
import PlateThumb from '../figure/PlateThumb.vue'
import PhotoDesk from './PhotoDesk.vue'
import TakePicture from './TakePicture.vue'
import { t } from '../words'

// A finished trim on its photographs: head, both profiles, and from the front, behind and above, each from picture to answers.
const props = defineProps<{ id: string; seen?: string; /** `before`: the picture from before the trim */ of?: string }>()
const router = useRouter()
const { data, error, refusal, loading, reload } = useAsked('measures', () => ({ id: props.id }), { fresh: true })
// a colleague's sheet that is not read yet: its own page says what reading costs, and asks
watch(refusal, (now) => now?.code === 'notRead' && void router.replace(`/trims/${props.id}`))
const seen = computed<Seen>(() => ((SEEN as readonly string[]).find((one) => one === props.seen) as Seen | undefined) ?? 'head')
const problem = ref<string | null>(null)
const again = ref(false)
watch(seen, () => (again.value = false))

const pictureOf = (view: Seen, moment: 'before' | 'after') =>
  data.value?.pictures.find((one) => one.stance === view && one.moment === moment) ?? null
/** The picture from before the trim is measured on the same desk, where there is one. */
const moment = computed<Moment>(() =>
  props.of === 'before' && tellsCutOff(seen.value) && pictureOf(seen.value, 'before') ? 'before' : 'after'
)
const picture = computed(() => pictureOf(seen.value, moment.value))
const marks = computed(() => {
  const page = data.value
  const own = moment.value === 'before' ? page?.before : page?.marks
  return own?.find(({ pictureId }) => pictureId === picture.value?.id) ?? null
})
/** The next picture opens on what is known once this one is saved: its own marks, and those that it is compared with. */
onBeforeRouteUpdate(async () => {
  await desk.value?.photo.atRest()
  await reload()
})
const { width: windowWidth } = useWindowSize()
const guideWidth = computed(() => Math.max(200, Math.min(360, windowWidth.value - 130)))
const drawnDog = computed(() => {
  const { bodyType, colour, withersMm, own } = data.value!.grading.dog
  const wide = seen.value === 'front' || seen.value === 'rear'
  return { bodyType, colour, withersMm, own, trim: data.value!.grading.standard.plan.drawnAs, wide }
})
const asked = (view: Seen) => (data.value ? criteriaSeen(data.value.grading.standard, view).length : 0)
const desk = ref<InstanceType<typeof PhotoDesk> | null>(null)
const filled = ref<{ readonly filled: number; readonly kept: number } | null>(null)

async function taken(_picture: PictureView): Promise<void> {
  again.value = false
  await reload()
}

/** What an outline that is still asked about says is no answer. */
const mayFill = computed(() => {
  const photo = desk.value?.photo
  return photo?.moment === 'after' && (photo.result.value?.found.measures.length ?? 0) > 0 && photo.disagreements.value.length === 0
})

/** Lays what this picture says into the draft, then goes on to the next one, or to the sheet. */
async function fill(): Promise<void> {
  const photo = desk.value?.photo
  const page = data.value
  const result = photo?.result.value
  if (!photo || !page || !result || !mayFill.value) return
  problem.value = null
  const { grading, skin } = page
  const from = answersFrom(grading.standard, photo.seen, photo.pictureId, result.found, result.regions, skin)
  const { answers, ...counts } = fillAnswers(grading.answers, from, grading.standard)
  try {
    await photo.save()
    const draft: Draft = { version: grading.version, answers, critical: grading.critical, globalRating: grading.globalRating }
    await ask('saveDraft', { id: grading.id, body: draft })
    filled.value = counts
    await reload()
    const next = nextToMeasure(photo.seen)
    if (next) await router.push(`/trims/${grading.id}/measure/${next}`)
    else await router.push(`/trims/${grading.id}`)
  } catch (caught) {
    problem.value = sentenceOf(caught)
  }
}
const isMeasured = (view: Seen) => (data.value?.marks.find((one) => one.seen === view)?.marks?.outline.length ?? 0) > 2
/** Head and profiles are measured of every trim; after them comes what else was photographed and not measured yet. */
const nextToMeasure = (after: Seen): Seen | undefined =>
  SEEN.slice(SEEN.indexOf(after) + 1).find((view) => viewOf(view) === 'profile' || (pictureOf(view, 'after') && !isMeasured(view)))
const go = (by: number) => {
  const next = SEEN[SEEN.indexOf(seen.value) + by]
  if (next) void router.push(`/trims/${props.id}/measure/${next}`)
}
useKeys([
  { key: ']', label: t('measure.nextPicture'), run: () => go(1) },
  { key: '[', label: t('measure.previousPicture'), run: () => go(-1) },
  { key: 'f', label: t('measure.enterPicturesMeasurementsGradeSheet'), run: () => void fill() },
  { key: 'g', label: t('measure.gradeSheet'), run: () => void router.push(`/trims/${props.id}`) }
])
</script>

<template>
  <TopLine
    :what="
      data
        ? t('measure.namePhotographsName2', { name: data.grading.dog.name, name2: data.grading.standard.name })
        : t('measure.photographs')
    "
  />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <template v-else>
    <nav
      class="no-print flex flex-none flex-wrap items-stretch gap-1 border-b border-line bg-sheet px-3 sm:px-5"
      :aria-label="t('measure.picturesTrim')"
    >
      <!-- six views are too many in a row for a narrow screen -->
      <select
        class="field h-12 max-w-full min-w-0 flex-1 basis-56 self-center lg:hidden"
        :aria-label="t('measure.picture')"
        :value="seen"
        @change="router.push(`/trims/${id}/measure/${($event.target as HTMLSelectElement).value}`)"
      >
        <option v-for="view in SEEN" :key="view" :value="view">
          {{ t('measure.viewTaken', { view: seenName(view), isTaken: pictureOf(view, 'after') ? 'yes' : 'no' }) }}
        </option>
      </select>
      <RouterLink
        v-for="view in SEEN"
        :key="view"
        :to="`/trims/${id}/measure/${view}`"
        class="flex min-h-12 items-center gap-2 px-3 whitespace-nowrap no-underline max-lg:hidden"
        :class="seen === view ? 'border-b-4 border-ink font-[650]' : 'muted'"
        :aria-current="seen === view ? 'page' : undefined"
        ><GlyphMark :name="pictureOf(view, 'after') ? 'meets' : 'missing'" :size="16" />{{ seenName(view)
        }}<span v-if="seen === view && asked(view)" class="muted hidden font-normal xl:inline"
          >{{ asked(view) }} {{ asked(view) === 1 ? t('measure.criterion') : t('measure.criteria') }}</span
        ></RouterLink
      >
      <span class="flex-1" />
      <span v-if="filled" class="muted hidden items-center md:flex" role="status"
        >{{ t('measure.filledEnteredSheet', { filled: filled.filled })
        }}<template v-if="filled.kept">{{ t('measure.keptLeftReadHand', { kept: filled.kept }) }}</template></span
      >
      <strong v-if="moment === 'before'" class="flex items-center px-2 whitespace-nowrap">{{ t('measure.beforeTheTrim') }}</strong>
      <button v-else-if="picture" class="min-h-12 px-2 whitespace-nowrap" @click="again = true">{{ t('measure.anotherPicture') }}</button>
      <RouterLink :to="`/trims/${id}`" class="flex min-h-12 items-center px-2 whitespace-nowrap">{{ t('measure.gradeSheet') }}</RouterLink>
    </nav>
    <p v-if="problem" class="flex gap-2 px-5 py-2 leading-[1.3] font-[650]" role="alert">
      <GlyphMark name="fails" :size="18" class="mt-0.5" />{{ problem }}
    </p>
    <PhotoDesk
      v-if="picture && marks"
      :key="picture.id"
      ref="desk"
      :own="marks"
      :grading="data.grading"
      :picture="picture"
      :before="pictureOf(seen, 'before')"
      :earlier="data.earlier"
      :moment="moment"
      :other="moment === 'after' ? otherProfile(seen, data.marks, data.pictures) : null"
      :other-moment="otherMoment(seen, moment, data)"
      :skin="data.skin"
    >
      <template #before-after="{ photo }">
        <BeforeAfterPart
          :photo="photo"
          :grading-id="id"
          :has-other="pictureOf(seen, moment === 'after' ? 'before' : 'after') !== null"
          :last-visit="data.lastVisit"
        />
      </template>
      <RouterLink v-if="moment === 'before'" :to="`/trims/${id}/measure/${seen}`" class="btn min-h-11">{{
        t('measure.openAfter')
      }}</RouterLink>
      <button v-else class="btn btn-go min-h-11" :disabled="!mayFill" @click="fill">
        {{ t('measure.enterSheet') }}
      </button>
    </PhotoDesk>
    <main v-else class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0">
      <div class="mx-auto grid max-w-[1120px] items-start gap-6 lg:grid-cols-2">
        <figure class="m-0 border-2 border-ink bg-plate p-4">
          <div class="flex justify-center gap-4">
            <PlateThumb
              :key="seen"
              :dog="drawnDog"
              :lengths="data.grading.standard.plan.lengthsMm"
              :from="sideSeen(seen) ? 'side' : (seen as Exclude<Seen, 'left' | 'right'>)"
              :mirrored="seen === 'right'"
              :width="guideWidth"
              :height="Math.round(guideWidth * 0.89)"
              :label="t('measure.seenRightPose', { seen: seenName(seen) })"
            />
            <span class="photo-guide-ruler self-end" aria-hidden="true" />
          </div>
          <figcaption class="mt-2 font-serif text-[17px] italic">
            {{ seen === 'above' ? t('measure.likeMatBesideDog') : t('measure.likeRulerStandingBesideDog') }}
          </figcaption>
        </figure>
        <div>
          <h2 class="title">{{ seenName(seen) }}</h2>
          <TakePicture
            class="mt-3"
            :visit-id="data.grading.visitId"
            :seen="seen"
            :has-camera="data.hasCamera"
            :again="false"
            @taken="taken"
          />
        </div>
      </div>
    </main>
    <SheetDialog :open="again" :title="t('measure.anotherPicture')" @close="again = false">
      <p class="leading-[1.35]">{{ t('measure.newPictureReplacesOneSheet') }} {{ t('measure.newPictureMayAverage') }}</p>
      <TakePicture :visit-id="data.grading.visitId" :seen="seen" :has-camera="data.hasCamera" :again="true" @taken="taken" />
    </SheetDialog>
  </template>
</template>
