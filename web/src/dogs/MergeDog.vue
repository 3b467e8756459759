<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { ask, sentenceOf } from '../api/client'
import { useAsked } from '../composables/useAsked'
import AskOnce from '../components/AskOnce.vue'
import { t } from '../words'

// A dog that was entered twice: this one goes into the other, with its whole history.
const props = defineProps<{ dog: { readonly id: string; readonly name: string } }>()
const router = useRouter()
const { data } = useAsked('dogs')
const others = computed(() => (data.value ?? []).filter(({ id }) => id !== props.dog.id))
const into = ref('')
const asks = ref(false)
const problem = ref<string | null>(null)
const kept = computed(() => others.value.find(({ id }) => id === into.value)?.name ?? '')
async function merge(): Promise<void> {
  try {
    await ask('mergeDogs', { id: props.dog.id, body: { into: into.value } })
    await router.push(`/dogs/${into.value}`)
  } catch (caught) {
    problem.value = sentenceOf(caught)
  }
}
</script>

<template>
  <section class="mt-8" :aria-label="t('dogs.duplicateDog')">
    <h2>{{ t('dogs.duplicate') }}</h2>
    <hr class="rule2 mt-1 mb-2" />
    <div class="flex flex-wrap items-end gap-2">
      <label
        ><span class="muted block">{{ t('dogs.nameSameDog', { name: dog.name }) }}</span>
        <select v-model="into" class="field h-12 w-[220px]">
          <option value="" disabled>{{ t('dogs.choose') }}</option>
          <option v-for="one in others" :key="one.id" :value="one.id">{{ one.name }}, {{ one.coat }}</option>
        </select></label
      >
      <button class="btn btn-quiet" :disabled="into === ''" @click="asks = true">{{ t('dogs.merge') }}</button>
    </div>
    <p v-if="problem" class="mt-2 font-[650]" role="alert">{{ problem }}</p>
    <AskOnce
      :open="asks"
      :title="t('dogs.mergeNameIntoKept', { name: dog.name, kept })"
      :says="[t('dogs.nameSVisitsGradingsCoat', { name: dog.name, kept }), t('dogs.entryNameDeletedCannotUndone', { name: dog.name })]"
      :action="t('dogs.merge')"
      :working="t('dogs.merging')"
      :run="merge"
      @close="asks = false"
    />
  </section>
</template>
