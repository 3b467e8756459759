<script setup lang="ts">
import { questions } from '@peen/content'
import { answersStanding, type OralQuestion } from '@peen/core/technique'
import { computed, ref } from 'vue'
import { v7 } from 'uuid'
import { ask } from '../api/client'
import GlyphMark from '../components/GlyphMark.vue'
import SheetDialog from '../components/SheetDialog.vue'
import { useDoing } from '../composables/useDoing'
import { useAsked } from '../composables/useAsked'
import { sayDate } from '../composables/words'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// What is asked, not done. The instructor asks aloud, reads what must be said, and ticks; the apprentice sees the questions alone.
const props = defineProps<{ id: string; name: string }>()
const session = useSessionStore()
const { data, reload } = useAsked('answers', () => ({ id: props.id }))
const { problem, doing } = useDoing(reload)
const standing = computed(() => answersStanding(data.value ?? []))
const asking = ref<OralQuestion | null>(null)
const note = ref('')
const earlier = computed(() => (data.value ?? []).filter(({ questionId }) => questionId === asking.value?.id).reverse())

function open(question: OralQuestion): void {
  if (session.isStaff) [asking.value, note.value] = [question, '']
}
async function tick(right: boolean): Promise<void> {
  const body = { id: v7(), questionId: asking.value!.id, right, onDate: session.today, note: note.value }
  await doing(() => ask('keepAnswer', { id: props.id, body }))
  if (problem.value === null) asking.value = null
}
const stateOf = ({ id }: OralQuestion) => {
  const last = standing.value.get(id)
  if (!last) return t('apprentice.notAskedYet')
  return t('apprentice.rightDateAsked', {
    right: last.right ? t('apprentice.answered') : t('apprentice.notYet'),
    date: sayDate(last.onDate, session.school?.now),
    by: last.by
  })
}
</script>

<template>
  <section class="mt-8" data-questions :aria-label="t('apprentice.questions')">
    <h2 class="title">{{ t('apprentice.questions') }}</h2>
    <hr class="rule2 mt-2.5" />
    <ul class="row-rule m-0 list-none p-0">
      <li v-for="question in questions" :key="question.id">
        <component
          :is="session.isStaff ? 'button' : 'div'"
          class="block min-h-12 w-full py-2 text-left leading-[1.32]"
          @click="open(question)"
        >
          {{ question.ask }}
          <span class="muted block"
            ><GlyphMark
              v-if="standing.has(question.id)"
              :name="standing.get(question.id)!.right ? 'meets' : 'fails'"
              :size="16"
              class="mr-1 align-[-3px]"
            />{{ stateOf(question) }}</span
          >
        </component>
      </li>
    </ul>
    <SheetDialog :open="asking !== null" :title="t('apprentice.askName', { name })" @close="asking = null">
      <template v-if="asking">
        <p class="font-serif text-[22px] leading-[1.25]">{{ asking.ask }}</p>
        <h3 class="label mt-4">{{ t('apprentice.answerMustInclude') }}</h3>
        <ul class="m-0 list-disc pl-5 leading-[1.35]">
          <li v-for="point in asking.answer" :key="point" class="mt-1">{{ point }}</li>
        </ul>
        <label class="mt-4 block"
          ><span class="label">{{ t('apprentice.note') }}</span
          ><input v-model="note" class="field h-12" maxlength="300" :placeholder="t('apprentice.whatMissing')"
        /></label>
        <ul v-if="earlier.length > 0" class="muted mt-3 list-none p-0">
          <li v-for="one in earlier" :key="one.id">
            {{ sayDate(one.onDate, session.school?.now) }}, {{ one.by }}: {{ one.right ? t('apprentice.answered') : t('apprentice.notYet')
            }}{{ one.note ? `. ${one.note}` : '' }}
          </li>
        </ul>
        <p v-if="problem" class="mt-2 font-[650]" role="alert">{{ problem }}</p>
        <div class="mt-4 flex gap-2">
          <button class="btn btn-go flex-1" @click="tick(true)">{{ t('apprentice.answered2') }}</button>
          <button class="btn btn-quiet flex-1" @click="tick(false)">{{ t('apprentice.notYet2') }}</button>
        </div>
      </template>
    </SheetDialog>
  </section>
</template>
