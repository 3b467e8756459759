<script setup lang="ts">
import { newPortfolioSchema, type NewPortfolio, type PortfolioChoices } from '@peen/contract'
import { addDays, formatISO, parseISO } from 'date-fns'
import { useForm } from 'vee-validate'
import { v7 } from 'uuid'
import { computed, ref } from 'vue'
import { ask, sentenceOf } from '../api/client'
import FormField from '../components/FormField.vue'
import GlyphMark from '../components/GlyphMark.vue'
import { STATE_WORDS } from '../composables/state-words'
import { sayDate } from '../composables/words'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// Chosen: what is in a portfolio, for whom, and until when. Nothing is ticked to begin with.
const props = defineProps<{ choices: PortfolioChoices }>()
const emit = defineEmits<{ made: [path: string] }>()
const session = useSessionStore()
/** Chosen: a month is long enough for one application. */
const USUAL_DAYS = 30
const certificates = ref<string[]>([])
const trims = ref<string[]>([])
const charts = ref<string[]>([])
const withPictures = ref(true)
const refused = ref<string | null>(null)
const isMaking = ref(false)

const start = () => ({
  title: '',
  endsOn: formatISO(addDays(parseISO(session.today), USUAL_DAYS), { representation: 'date' })
})
const { values, setFieldError, resetForm } = useForm<{ title: string; endsOn: string }>({ initialValues: start() })
const MOST_PICTURES = 6
const body = (): NewPortfolio => ({
  ...{ id: v7(), title: values.title, endsOn: values.endsOn, certificates: certificates.value, charts: charts.value },
  trims: props.choices.trims
    .filter(({ gradingId }) => trims.value.includes(gradingId))
    .map(({ gradingId, pictures }) => ({
      gradingId,
      pictures: withPictures.value ? pictures.slice(0, MOST_PICTURES).map(({ id }) => id) : []
    }))
})
const hasPictures = computed(() =>
  props.choices.trims.some(({ gradingId, pictures }) => trims.value.includes(gradingId) && pictures.length > 0)
)

/** Says what is wrong beside its field, or under the form where it has none. */
function isRefused(caught: unknown): void {
  const { inner = [] } = caught as { inner?: readonly { path?: string; message: string }[] }
  const beside = inner.filter(({ path }) => path === 'title' || path === 'endsOn')
  for (const { path, message } of beside) setFieldError(path as 'title' | 'endsOn', message)
  refused.value = inner.find((one) => !beside.includes(one))?.message ?? (inner.length > 0 ? null : sentenceOf(caught))
}
async function make(): Promise<void> {
  if (isMaking.value) return
  isMaking.value = true
  refused.value = null
  try {
    const sent = await newPortfolioSchema.validate(body(), { abortEarly: false })
    const { path } = await ask('makePortfolio', { body: sent })
    resetForm({ values: start() })
    ;[certificates.value, trims.value, charts.value] = [[], [], []]
    emit('made', path)
  } catch (caught) {
    isRefused(caught)
  } finally {
    isMaking.value = false
  }
}
</script>

<template>
  <form novalidate @submit.prevent="make">
    <FormField name="title" :label="t('portfolio.forWhom')" />
    <FormField name="endsOn" :label="t('portfolio.lastDay')" type="date" />
    <fieldset class="mb-4 min-w-0">
      <legend class="label">{{ t('portfolio.certificates') }}</legend>
      <p v-if="choices.certificates.length === 0" class="muted">{{ t('portfolio.noCertificates') }}</p>
      <label v-for="one in choices.certificates" :key="one.findingId" class="flex min-h-11 items-center gap-3 py-1 leading-[1.3]">
        <input v-model="certificates" type="checkbox" class="size-6 flex-none accent-(--act)" :value="one.findingId" />
        <span>{{
          t('portfolio.certificateLine', { name: one.name, number: one.number, date: sayDate(one.issuedOn, session.today) })
        }}</span>
      </label>
    </fieldset>
    <fieldset class="mb-4 min-w-0">
      <legend class="label">{{ t('portfolio.trims') }}</legend>
      <p v-if="choices.trims.length === 0" class="muted">{{ t('portfolio.noTrims') }}</p>
      <label v-for="one in choices.trims" :key="one.gradingId" class="flex min-h-11 items-center gap-3 py-1 leading-[1.3]">
        <input v-model="trims" type="checkbox" class="size-6 flex-none accent-(--act)" :value="one.gradingId" />
        <span
          >{{ t('portfolio.markOn', { trim: one.trim, date: sayDate(one.onDate, session.today), mark: Math.round(one.mark) }) }}
          <span class="muted block">{{ t('portfolio.pictureCount', { count: one.pictures.length }) }}</span></span
        >
      </label>
      <label v-if="hasPictures" class="mt-1 flex min-h-11 items-center gap-3">
        <input v-model="withPictures" type="checkbox" class="size-6 flex-none accent-(--act)" />
        <span>{{ t('portfolio.withPictures') }}</span>
      </label>
      <p v-if="choices.notYet > 0" class="muted mt-1 leading-[1.35]">{{ t('portfolio.notYet', { count: choices.notYet }) }}</p>
    </fieldset>
    <fieldset class="mb-4 min-w-0">
      <legend class="label">{{ t('portfolio.charts') }}</legend>
      <p v-if="choices.charts.length === 0" class="muted">{{ t('portfolio.noCharts') }}</p>
      <div class="max-h-[264px] overflow-y-auto" tabindex="-1">
        <label v-for="one in choices.charts" :key="one.techniqueId" class="flex min-h-11 items-center gap-3 py-1 leading-[1.3]">
          <input v-model="charts" type="checkbox" class="size-6 flex-none accent-(--act)" :value="one.techniqueId" />
          <span
            ><GlyphMark :name="one.state" :size="17" class="mr-1.5 align-[-3px]" />{{ one.name }}
            <span class="muted"
              >{{ STATE_WORDS[one.state].toLowerCase() }}, {{ t('portfolio.attempts', { count: one.attempts }) }}</span
            ></span
          >
        </label>
      </div>
    </fieldset>
    <p class="muted mb-3 leading-[1.35]">{{ t('portfolio.noNames') }}</p>
    <p v-if="refused" class="mb-3 flex gap-2" role="alert"><GlyphMark name="fails" :size="18" class="mt-0.5" />{{ refused }}</p>
    <button class="btn btn-go w-full" :disabled="isMaking">{{ isMaking ? t('portfolio.making') : t('portfolio.make') }}</button>
  </form>
</template>
