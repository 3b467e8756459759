<script setup lang="ts" generic="Preview extends { ok: true } | { ok: false; issues: readonly { detail: string }[] }">
import { ref, type Ref } from 'vue'
import { sentenceOf } from '../api/client'
import GlyphMark from './GlyphMark.vue'
import { t } from '../words'

// Many at once from a table: shown before anything is written, all taken in together or none.
const props = defineProps<{
  title: string
  /** reads a table without writing anything */
  show: (file: File) => Promise<Preview>
  /** takes all of it in */
  take: (file: File) => Promise<{ takenIn: number }>
  /** what a refused table begins with: "No dog can be added yet" */
  refused: string
}>()
defineSlots<{
  /** the columns of the table */
  default(): unknown
  /** what the table holds, and the button that takes it in */
  held(of: { held: Extract<Preview, { ok: true }>; takeIn: () => Promise<void> }): unknown
}>()
const emit = defineEmits<{ in: [count: number] }>()
const file = ref<File | null>(null)
const preview = ref(null) as Ref<Preview | null>
const problem = ref<string | null>(null)
async function choose(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  file.value = input.files?.[0] ?? null
  preview.value = null
  problem.value = null
  if (!file.value) return
  try {
    preview.value = await props.show(file.value)
  } catch (caught) {
    problem.value = sentenceOf(caught)
  }
  // the same file, put right, can be chosen again
  input.value = ''
}
async function takeIn(): Promise<void> {
  try {
    const { takenIn } = await props.take(file.value!)
    preview.value = null
    file.value = null
    emit('in', takenIn)
  } catch (caught) {
    problem.value = sentenceOf(caught)
  }
}
const heldIn = (table: Preview) => table as Extract<Preview, { ok: true }>
</script>

<template>
  <section data-table-in>
    <h2 class="mt-8">{{ title }}</h2>
    <hr class="rule2 mt-1 mb-2" />
    <p class="muted leading-[1.35]"><slot /> {{ t('shell.youWillSeeEverythingBefore') }}</p>
    <label class="btn btn-quiet mt-2 cursor-pointer"
      >{{ file ? file.name : t('shell.chooseFile') }}<input class="sr-only" type="file" accept=".csv,text/csv" @change="choose"
    /></label>
    <p v-if="problem" class="mt-2 flex gap-2" role="alert"><GlyphMark name="fails" :size="18" class="mt-0.5" />{{ problem }}</p>
    <slot v-if="preview?.ok" name="held" :held="heldIn(preview)" :take-in="takeIn" />
    <template v-else-if="preview">
      <p class="mt-2 font-[650]" role="alert">
        {{ t('shell.thingsNeedFixing', { refused, n: preview.issues.length }) }}
      </p>
      <ul class="m-0 list-none p-0">
        <li v-for="issue in preview.issues" :key="issue.detail" class="flex gap-2 py-1">
          <GlyphMark name="fails" :size="18" class="mt-0.5" />{{ issue.detail }}
        </li>
      </ul>
    </template>
  </section>
</template>
