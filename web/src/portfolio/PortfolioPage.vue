<script setup lang="ts">
import { addressOf, openPortfolioSchema, type PortfolioView } from '@peen/contract'
import { useForm } from 'vee-validate'
import { nextTick, ref } from 'vue'
import { ask, sentenceOf } from '../api/client'
import LearningChart from '../apprentice/LearningChart.vue'
import FormField from '../components/FormField.vue'
import GlyphMark from '../components/GlyphMark.vue'
import { sayDate } from '../composables/words'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// A portfolio as an employer reads it: opened by its link, after they have said who they are.
const props = defineProps<{ id: string; secret: string }>()
const session = useSessionStore()
const view = ref<PortfolioView | null>(null)
const refused = ref<string | null>(null)
const opens = ref(false)
const page = ref<HTMLElement | null>(null)
const { handleSubmit } = useForm<{ reader: string }>({
  validationSchema: openPortfolioSchema.pick(['reader']),
  initialValues: { reader: '' }
})
const open = handleSubmit(async ({ reader }) => {
  opens.value = true
  refused.value = null
  try {
    view.value = await ask('openPortfolio', { body: { id: props.id, secret: props.secret, reader: reader.trim() } })
    await nextTick()
    page.value?.focus()
  } catch (caught) {
    refused.value = sentenceOf(caught)
  } finally {
    opens.value = false
  }
})
const pictureOf = (picture: string) => addressOf('portfolioPicture', { open: view.value!.open, picture })
const year = (day: string) => sayDate(day, '0000')
</script>

<template>
  <main ref="page" class="min-h-0 flex-1 overflow-y-auto p-4 outline-none sm:p-8" tabindex="-1" :aria-label="t('portfolio.portfolio')">
    <div class="mx-auto max-w-[960px]">
      <p class="flex items-center gap-2 text-[22px] leading-none font-[650]">
        <GlyphMark name="saved" :size="22" plain class="text-act" />{{ view?.school ?? session.school?.name ?? 'Peen' }}
      </p>
      <template v-if="!view">
        <h1 class="mt-5 text-[26px]">{{ t('portfolio.whoReads') }}</h1>
        <hr class="rule2 mt-2 mb-4" />
        <p class="max-w-[64ch] leading-[1.4]">{{ t('portfolio.whoReadsSays') }}</p>
        <form novalidate class="mt-4 max-w-[440px]" @submit="open">
          <FormField name="reader" :label="t('portfolio.yourName')" autocomplete="organization" autofocus />
          <button class="btn btn-go w-full" :disabled="opens">{{ opens ? t('portfolio.opening') : t('portfolio.open') }}</button>
        </form>
        <p v-if="refused" class="mt-4 flex gap-2 text-[18px] font-[650]" role="alert">
          <GlyphMark name="missing" :size="22" class="mt-0.5" />{{ refused }}
        </p>
      </template>
      <template v-else>
        <h1 class="mt-5 text-[34px] leading-[1.1]">{{ view.holder }}</h1>
        <hr class="rule2 mt-2" />
        <p class="muted mt-2">{{ t('portfolio.endsOn', { date: year(view.endsOn) }) }}</p>
        <section v-if="view.certificates.length" class="mt-6" :aria-label="t('portfolio.certificates')">
          <h2 class="title">{{ t('portfolio.certificates') }}</h2>
          <hr class="rule2 mt-2" />
          <article v-for="one in view.certificates" :key="one.number" class="border-b border-line py-4">
            <h3 class="text-[20px] font-[650]">
              <GlyphMark :name="one.standing === 'valid' ? 'competent' : 'missing'" :size="20" class="mr-2 align-[-3px]" />{{ one.name }}
            </h3>
            <p class="mt-1 font-serif text-[19px] leading-[1.3]">{{ view.holder }} {{ one.claim }}.</p>
            <p class="muted mt-1">
              {{ t('portfolio.numberIssued', { number: one.number, date: year(one.issuedOn) }) }}.
              {{ one.validUntil ? t('portfolio.until', { date: year(one.validUntil) }) : '' }}
            </p>
            <p v-if="one.standing !== 'valid'" class="mt-1 font-[650] text-danger">
              {{ one.standing === 'revoked' ? t('portfolio.revoked') : t('portfolio.expired') }}
            </p>
            <RouterLink
              v-if="one.code"
              :to="`/check/${one.number}/${one.code}`"
              class="mt-1 inline-flex min-h-11 items-center underline underline-offset-4"
              >{{ t('portfolio.checkIt') }}</RouterLink
            >
          </article>
        </section>
        <section v-if="view.trims.length" class="mt-8" :aria-label="t('portfolio.trims')">
          <h2 class="title">{{ t('portfolio.trims') }}</h2>
          <hr class="rule2 mt-2" />
          <article v-for="(one, i) in view.trims" :key="i" class="border-b border-line py-4">
            <h3 class="text-[20px] font-[650]">{{ one.trim }}</h3>
            <p class="mt-1 leading-[1.35]">
              {{
                t('portfolio.trimSays', {
                  ...{ dog: one.dog ?? 'none', coat: one.coat, date: year(one.onDate), assessor: one.assessor },
                  ...{ mark: Math.round(one.mark), low: Math.round(one.low), high: Math.round(one.high) }
                })
              }}
            </p>
            <p v-if="one.praise" class="mt-1 font-serif text-[18px] leading-[1.3]">{{ one.praise }}</p>
            <div v-if="one.pictures.length" class="mt-3 grid gap-3 sm:grid-cols-2">
              <figure v-for="picture in one.pictures" :key="picture.id" class="m-0">
                <img
                  :src="pictureOf(picture.id)"
                  class="block w-full border border-line"
                  loading="lazy"
                  :alt="t('portfolio.picturesOf', { trim: one.trim, moment: picture.moment, stance: picture.stance })"
                />
                <figcaption class="muted mt-1">
                  {{ t('portfolio.seenOne', { moment: picture.moment, stance: picture.stance }) }}
                </figcaption>
              </figure>
            </div>
          </article>
        </section>
        <section v-if="view.charts.length" class="mt-8" :aria-label="t('portfolio.charts')">
          <h2 class="title">{{ t('portfolio.charts') }}</h2>
          <hr class="rule2 mt-2" />
          <div class="grid gap-x-8 sm:grid-cols-2">
            <article v-for="one in view.charts" :key="one.name" class="border-b border-line py-4">
              <h3 class="text-[18px] font-[650]">{{ one.name }}</h3>
              <p class="muted">
                {{ t('portfolio.chartSays', { clean: one.clean, attempts: one.standing.attempts, limit: one.standing.limit }) }}
              </p>
              <LearningChart :standing="one.standing" class="mt-2" />
            </article>
          </div>
        </section>
      </template>
    </div>
  </main>
</template>
