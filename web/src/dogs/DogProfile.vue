<script setup lang="ts">
import { type DogProfile, dogProfileSchema, PIGMENTS, type DogView } from '@peen/contract'
import { SIDES, type Side } from '@peen/core/practice'
import { REGIONS, type RegionId } from '@peen/core/regions'
import { useForm } from 'vee-validate'
import { lengthLeft, type Direction } from '@peen/core/tools'
import { inchFromMm, mmOfText } from '@peen/core/units'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { ask, sentenceOf } from '../api/client'
import ChoiceField from '../components/ChoiceField.vue'
import DogStanding from './DogStanding.vue'
import FormField from '../components/FormField.vue'
import MergeDog from './MergeDog.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { BODY_CHOICES, COAT_TYPE_CHOICES, COLOUR_CHOICES } from '../day/dog-fields'
import { useSettingsStore } from '../stores/settings'
import { useAsked } from '../composables/useAsked'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// What is known of a dog: its looks, its own measurements, what it has lived through, and who brings it.
const props = defineProps<{ id: string }>()
const router = useRouter()
const { data, error, loading, reload } = useAsked('dog', () => ({ id: props.id }), { fresh: true })
const refused = ref<string | null>(null)
const said = ref<string | null>(null)
const burns = ref<DogView['burns']>([])
/** the owner lets the dog's name be shown outside the school */
const nameOutside = ref(false)
const burnAt = ref<RegionId>('cheek')
const burnSide = ref<Side>('left')
const burnBlade = ref('')
const burnWay = ref<Direction>('with')
const session = useSessionStore()
const blades = computed(() => (session.school?.tools ?? []).filter(({ kind, lengthMm }) => kind === 'blade' && lengthMm !== null))
const NOT_SAID = { id: '', name: t('dogs.notGiven') }
const named = (ids: readonly string[]) => ids.map((id) => ({ id, name: id }))
const LENGTHS = ['withersMm', 'backMm', 'muzzleMm', 'forelegMm', 'footMm', 'flatFootMm'] as const
const NUMBERS = ['weightKg', 'canStandMin'] as const
const settings = useSettingsStore()
/** in whole mm; what is no length goes on as it was typed, and its field says so */
function lengthOf(value: unknown): number | string | null {
  const typed = String(value ?? '').trim()
  try {
    return typed === '' ? null : Math.round(mmOfText(typed, settings.settings.lengths))
  } catch {
    return typed
  }
}
/** a length as this person types it */
const typedLength = (mm: number | null | undefined) =>
  mm === null || mm === undefined
    ? ''
    : settings.settings.lengths === 'mm'
      ? String(mm)
      : t('dogs.x', { x: Math.round(100 * inchFromMm(mm)) / 100 })
const { handleSubmit, isSubmitting, resetForm, setFieldError } = useForm<Record<string, unknown>>({ initialValues: {} })

const text = (value: number | null | undefined) => (value === null || value === undefined ? '' : String(value))
watch(data, async (page) => {
  if (!page) return
  const { dog } = page
  const owner = await ask('owner', { id: props.id })
  burns.value = dog.burns
  nameOutside.value = dog.nameOutside === true
  const { name, breed, bodyType, coat, colour, temperament, dislikes, earHistory } = dog
  const { backMm, muzzleMm, forelegMm, footMm } = dog.own
  resetForm({
    values: {
      ...{ name, breed, bodyType, coat, colour, temperament, dislikes, earHistory },
      ...{ backMm: typedLength(backMm), muzzleMm: typedLength(muzzleMm), forelegMm: typedLength(forelegMm), footMm: typedLength(footMm) },
      ...{
        withersMm: typedLength(dog.withersMm),
        flatFootMm: typedLength(dog.flatFootMm),
        weightKg: text(dog.weightKg),
        canStandMin: text(dog.canStandMin)
      },
      ...{
        coatType: dog.coatType,
        bornOn: dog.bornOn ?? '',
        nose: dog.nose ?? '',
        skin: dog.skin ?? '',
        owner: owner.givenName,
        contact: owner.contact
      }
    }
  })
})
const submit = handleSubmit(async (values) => {
  refused.value = null
  said.value = null
  const numbers = Object.fromEntries(
    NUMBERS.map((name) => {
      const typed = String(values[name] ?? '')
        .trim()
        .replace(',', '.')
      return [name, typed === '' ? null : Number.isNaN(Number(typed)) ? typed : Number(typed)]
    })
  )
  const orNull = (name: string) => (values[name] === '' ? null : values[name])
  const sent = {
    ...values,
    ...numbers,
    ...Object.fromEntries(LENGTHS.map((name) => [name, lengthOf(values[name])])),
    coatType: orNull('coatType'),
    bornOn: orNull('bornOn'),
    nose: orNull('nose'),
    skin: orNull('skin'),
    burns: burns.value,
    nameOutside: nameOutside.value
  }
  let profile: DogProfile
  try {
    profile = (await dogProfileSchema.validate(sent, { abortEarly: false, strict: true })) as DogProfile
  } catch (caught) {
    for (const { path, message } of (caught as { inner: readonly { path: string; message: string }[] }).inner) setFieldError(path, message)
    refused.value = t('dogs.nothingSavedYetCorrectMarked')
    return
  }
  try {
    await ask('keepProfile', { id: props.id, body: profile })
    said.value = t('dogs.saved')
    await reload()
  } catch (caught) {
    refused.value = sentenceOf(caught)
  }
})
function addBurn(): void {
  const tool = blades.value.find(({ id }) => id === burnBlade.value)
  const left = tool ? lengthLeft(tool, burnWay.value) : null
  const by = tool ? { blade: tool.label, direction: burnWay.value, leftMm: left?.allowed ? left.lengthMm : 0 } : null
  const others = burns.value.filter(({ region, side }) => region !== burnAt.value || side !== burnSide.value)
  burns.value = [...others, { region: burnAt.value, side: burnSide.value, by }]
}
async function erase(): Promise<void> {
  if (!window.confirm(t('dogs.eraseOwnerGradingsVisitsStay'))) return
  try {
    await ask('eraseOwner', { id: props.id })
    said.value = t('dogs.ownerErased')
    await reload()
  } catch (caught) {
    refused.value = sentenceOf(caught)
  }
}
</script>

<template>
  <TopLine :what="data ? t('dogs.aboutName', { name: data.dog.name }) : t('dogs.dog')" />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <main v-else class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0" :aria-label="t('dogs.aboutDog')">
    <form class="grid gap-x-8 lg:grid-cols-3" novalidate @submit="submit">
      <section>
        <h2 class="title">{{ t('dogs.looks') }}</h2>
        <hr class="rule2 mt-2 mb-3" />
        <FormField name="name" :label="t('dogs.name')" />
        <FormField name="breed" :label="t('dogs.breedOrMix')" />
        <ChoiceField name="bodyType" :label="t('dogs.bodyType')" :choices="BODY_CHOICES" />
        <FormField name="coat" :label="t('dogs.coatDescription')" />
        <ChoiceField name="coatType" :label="t('dogs.coatType')" :choices="COAT_TYPE_CHOICES" />
        <ChoiceField name="colour" :label="t('dogs.colour')" :choices="COLOUR_CHOICES" />
        <ChoiceField name="nose" :label="t('dogs.nose')" :choices="[NOT_SAID, ...named(PIGMENTS)]" />
        <ChoiceField name="skin" :label="t('dogs.skin')" :choices="[NOT_SAID, ...named(PIGMENTS)]" />
      </section>
      <section>
        <h2 class="title">
          {{ t('dogs.measurementsLengths', { lengths: settings.settings.lengths === 'mm' ? t('dogs.mm') : t('dogs.inches') }) }}
        </h2>
        <hr class="rule2 mt-2 mb-3" />
        <FormField name="withersMm" :label="t('dogs.heightWithers')" />
        <FormField name="backMm" :label="t('dogs.backWithersTail')" />
        <FormField name="muzzleMm" :label="t('dogs.muzzleStopNose')" />
        <FormField name="forelegMm" :label="t('dogs.forelegElbowGround')" />
        <FormField name="footMm" :label="t('dogs.foreFootHeelToe')" />
        <FormField name="flatFootMm" :label="t('dogs.flatPartFoot')" />
        <FormField name="weightKg" :label="t('dogs.weightKg')" />
        <FormField name="bornOn" :label="t('dogs.born')" type="date" />
      </section>
      <section>
        <h2 class="title">{{ t('dogs.history') }}</h2>
        <hr class="rule2 mt-2 mb-3" />
        <FormField name="canStandMin" :label="t('dogs.minutesCanWorked')" />
        <FormField name="temperament" :label="t('dogs.temperament')" />
        <FormField name="dislikes" :label="t('dogs.whatDislikes')" />
        <FormField name="earHistory" :label="t('dogs.earsInfectionsPluckedOrNot')" />
        <label class="mb-4 flex min-h-11 items-center gap-3">
          <input v-model="nameOutside" type="checkbox" class="size-6 flex-none accent-(--act)" />
          <span class="leading-[1.3]">{{ t('portfolio.nameOutside') }}</span>
        </label>
        <p class="label">{{ t('dogs.burnedBefore') }}</p>
        <ul class="m-0 list-none p-0">
          <li v-for="(burn, i) in burns" :key="i" class="flex min-h-11 items-center gap-3">
            <span class="flex-1"
              >{{ burn.side }} {{ REGIONS.find(({ id: region }) => region === burn.region)?.name.toLowerCase()
              }}<span class="muted block">{{
                burn.by
                  ? t('dogs.bladeDirectionGrowth', { blade: burn.by.blade, direction: burn.by.direction })
                  : t('dogs.bladeNotRecorded')
              }}</span></span
            >
            <button type="button" class="btn btn-quiet min-h-11 px-3 text-[16px]" @click="burns = burns.filter((_, k) => k !== i)">
              {{ t('dogs.remove') }}
            </button>
          </li>
        </ul>
        <div class="mb-2 flex gap-2">
          <select v-model="burnAt" class="field h-12 min-w-0 flex-1" :aria-label="t('dogs.placeBurn')">
            <option v-for="one in REGIONS" :key="one.id" :value="one.id">{{ one.name }}</option>
          </select>
          <select v-model="burnSide" class="field h-12 w-[96px]" :aria-label="t('dogs.sideBurn')">
            <option v-for="one in SIDES" :key="one" :value="one">{{ one }}</option>
          </select>
        </div>
        <div class="mb-4 flex gap-2">
          <select v-model="burnBlade" class="field h-12 min-w-0 flex-1" :aria-label="t('dogs.bladeBurned')">
            <option value="">{{ t('dogs.bladeNotKnown') }}</option>
            <option v-for="one in blades" :key="one.id" :value="one.id">{{ t('dogs.bladeLabel', { label: one.label }) }}</option>
          </select>
          <select v-model="burnWay" class="field h-12 w-[112px]" :aria-label="t('dogs.directionBladeBurned')" :disabled="burnBlade === ''">
            <option value="with">{{ t('dogs.with') }}</option>
            <option value="against">{{ t('dogs.against') }}</option>
          </select>
          <button type="button" class="btn btn-quiet" @click="addBurn">{{ t('dogs.add') }}</button>
        </div>
        <FormField name="owner" :label="t('dogs.ownersFirstName')" />
        <FormField name="contact" :label="t('dogs.ownersContactDetails')" />
        <button type="button" class="btn btn-quiet mb-4 w-full" @click="erase">{{ t('dogs.eraseOwner') }}</button>
        <p v-if="refused" class="mb-3 font-semibold text-danger" role="alert">{{ refused }}</p>
        <p v-if="said" class="mb-3 font-[650]" role="status">{{ said }}</p>
        <div class="grid grid-cols-2 gap-2">
          <button class="btn btn-go" :disabled="isSubmitting">{{ t('dogs.save') }}</button>
          <button type="button" class="btn btn-quiet" @click="router.push(`/dogs/${id}`)">{{ data.dog.name }}</button>
        </div>
      </section>
    </form>
    <DogStanding class="mt-8" :dog="data.dog" @changed="reload" />
    <MergeDog :dog="data.dog" />
  </main>
</template>
