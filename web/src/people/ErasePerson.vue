<script setup lang="ts">
import type { ErasureView, PersonRow } from '@peen/contract'
import { ref, watch } from 'vue'
import { ask, sentenceOf } from '../api/client'
import SheetDialog from '../components/SheetDialog.vue'
import { t } from '../words'

// An apprentice who has left is erased: what goes and what stays is said first, with its numbers, since it cannot be undone.
const props = defineProps<{ person: PersonRow | null; run: () => Promise<unknown> }>()
const emit = defineEmits<{ close: [] }>()
const view = ref<ErasureView | null>(null)
const problem = ref<string | null>(null)
const works = ref(false)
watch(
  () => props.person,
  async (person) => {
    view.value = null
    problem.value = null
    if (!person) return
    try {
      view.value = await ask('erasure', { id: person.id })
    } catch (caught) {
      problem.value = sentenceOf(caught)
    }
  }
)
async function go(): Promise<void> {
  works.value = true
  await props.run().finally(() => (works.value = false))
  emit('close')
}
</script>

<template>
  <SheetDialog
    :open="person !== null"
    :title="t('people.eraseGivenNameFamilyName', { givenName: person?.givenName ?? '', familyName: person?.familyName ?? '' })"
    @close="works || emit('close')"
  >
    <p v-if="problem" class="font-[650]" role="alert">{{ problem }}</p>
    <p v-else-if="view?.refusal" class="mt-1 leading-[1.4] font-[650]" role="alert">{{ view.refusal }}</p>
    <template v-else-if="view">
      <p class="label mt-1">{{ t('people.deletedGood') }}</p>
      <ul class="m-0 mt-1 list-disc pl-5 leading-[1.4]">
        <li v-for="sentence in view.goes" :key="sentence">{{ sentence }}</li>
      </ul>
      <p class="label mt-3">{{ t('people.kept') }}</p>
      <ul class="m-0 mt-1 list-disc pl-5 leading-[1.4]">
        <li v-for="sentence in view.stays" :key="sentence">{{ sentence }}</li>
      </ul>
      <p class="mt-3 leading-[1.4]">
        {{ t('people.firstCheckHowLongLaw') }}
      </p>
      <div class="mt-4 flex flex-wrap gap-2">
        <button class="btn btn-danger" :disabled="works" @click="go">{{ works ? t('people.erasing') : t('people.eraseGood') }}</button>
        <button class="btn btn-quiet" :disabled="works" @click="emit('close')">{{ t('people.doNotErase') }}</button>
      </div>
    </template>
  </SheetDialog>
</template>
