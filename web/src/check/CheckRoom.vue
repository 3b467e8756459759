<script setup lang="ts">
import { checkNumberSchema, type CheckNumber, type CheckView } from '@peen/contract'
import { useDropZone } from '@vueuse/core'
import { useForm } from 'vee-validate'
import { computed, nextTick, ref, watch } from 'vue'
import { ask, sentenceOf } from '../api/client'
import FormField from '../components/FormField.vue'
import GlyphMark from '../components/GlyphMark.vue'
import { useSessionStore } from '../stores/session'
import { t } from '../words'
import { factsOf, sayCheck, voiceOf } from './say-check'

// Whether a certificate holds: open to anyone, by what is printed on it or by its file.
const props = defineProps<{ number?: string; code?: string }>()
const session = useSessionStore()
const view = ref<CheckView | null>(null)
const refused = ref<string | null>(null)
const works = ref(false)
const answer = ref<HTMLElement | null>(null)
const voice = voiceOf(t, document.documentElement.lang)
const said = computed(() => (view.value ? sayCheck(view.value, voice) : null))
const facts = computed(() => (view.value ? factsOf(view.value, voice) : []))

async function check(asked: () => Promise<CheckView>): Promise<void> {
  works.value = true
  refused.value = null
  try {
    view.value = await asked()
  } catch (caught) {
    view.value = null
    refused.value = sentenceOf(caught)
  } finally {
    works.value = false
  }
  await nextTick()
  answer.value?.focus()
}
const { handleSubmit } = useForm<CheckNumber>({
  validationSchema: checkNumberSchema,
  initialValues: { number: props.number ?? '', code: props.code ?? '' }
})
const submit = handleSubmit((body) => check(() => ask('checkNumber', { body })))
function checkFiles(files: FileList | File[] | null): void {
  const file = files?.[0]
  if (file) void check(() => ask('checkFile', { file }))
}
const zone = ref<HTMLElement | null>(null)
const { isOverDropZone } = useDropZone(zone, { onDrop: checkFiles, multiple: false })
const choose = (event: Event) => {
  const input = event.target as HTMLInputElement
  checkFiles(input.files)
  // the same file can be chosen again
  input.value = ''
}
watch(
  () => [props.number, props.code],
  ([number, code]) => {
    if (number && code) void check(() => ask('checkNumber', { body: { number, code } }))
  },
  { immediate: true }
)
</script>

<template>
  <main class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-8" tabindex="0" :aria-label="t('check.title')">
    <div class="mx-auto max-w-[960px]">
      <p class="flex items-center gap-2 text-[22px] leading-none font-[650]">
        <GlyphMark name="saved" :size="22" plain class="text-act" />{{ session.school?.name ?? 'Peen' }}
      </p>
      <h1 class="mt-5 text-[26px]">{{ t('check.title') }}</h1>
      <hr class="rule2 mt-2 mb-4" />
      <section
        v-if="said || refused"
        ref="answer"
        class="mb-6 border-2 border-ink bg-sheet p-5 outline-none"
        tabindex="-1"
        role="status"
        data-testid="verdict"
      >
        <p v-if="refused" class="flex gap-3 text-[20px] font-[650]"><GlyphMark name="missing" :size="24" class="mt-0.5" />{{ refused }}</p>
        <template v-else-if="said">
          <p class="flex items-start gap-3 text-[28px] leading-[1.15] font-[650]">
            <GlyphMark :name="said.glyph" :size="30" class="mt-0.5" />{{ said.headline }}
          </p>
          <p v-if="said.says" class="mt-2 font-serif text-[20px] leading-[1.3]">{{ said.says }}</p>
          <dl class="mt-4 mb-0">
            <div v-for="fact in facts" :key="fact.name" class="grid gap-x-6 border-t border-line py-2 sm:grid-cols-[180px_1fr]">
              <dt class="muted">{{ fact.name }}</dt>
              <dd class="m-0 leading-[1.35] break-words">{{ fact.is }}</dd>
            </div>
          </dl>
        </template>
      </section>
      <p class="leading-[1.35]">{{ t('check.intro') }}</p>
      <div class="mt-4 grid gap-8 lg:grid-cols-2">
        <form novalidate @submit="submit">
          <FormField name="number" :label="t('check.number')" autocomplete="off" />
          <FormField name="code" :label="t('check.code')" autocomplete="off" />
          <button class="btn btn-go w-full" :disabled="works">{{ works ? t('check.checking') : t('check.check') }}</button>
        </form>
        <div>
          <h2 class="label">{{ t('check.orFile') }}</h2>
          <div
            ref="zone"
            class="flex min-h-[168px] flex-col items-center justify-center gap-3 border-[1.5px] border-dashed border-hair p-5 text-center"
            :class="isOverDropZone && 'bg-well'"
          >
            <p class="leading-[1.35]">{{ t('check.dropHere') }}</p>
            <label class="btn cursor-pointer focus-within:outline-3 focus-within:outline-ink"
              >{{ t('check.chooseFile')
              }}<input type="file" class="sr-only" accept=".json,.png,application/json,image/png" @change="choose"
            /></label>
            <p class="muted">{{ t('check.fileStays') }}</p>
          </div>
          <a href="/verify.html" download class="mt-2 inline-flex min-h-11 items-center underline underline-offset-4">{{
            t('check.offlinePage')
          }}</a>
        </div>
      </div>
      <p class="muted mt-6 leading-[1.35]">{{ t('check.covers') }}</p>
      <RouterLink v-if="!session.me" to="/sign-in" class="mt-3 inline-flex min-h-11 items-center underline underline-offset-4">{{
        t('check.signIn')
      }}</RouterLink>
    </div>
  </main>
</template>
