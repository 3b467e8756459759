<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { ask, sentenceOf } from '../api/client'
import { useAsked } from '../composables/useAsked'
import AskOnce from '../components/AskOnce.vue'

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
  <section class="mt-8" aria-label="Entered twice">
    <h2>Entered twice?</h2>
    <hr class="rule2 mt-1 mb-2" />
    <div class="flex flex-wrap items-end gap-2">
      <label
        ><span class="muted block">{{ dog.name }} is the same dog as</span>
        <select v-model="into" class="field h-12 w-[220px]">
          <option value="" disabled>choose</option>
          <option v-for="one in others" :key="one.id" :value="one.id">{{ one.name }}, {{ one.coat }}</option>
        </select></label
      >
      <button class="btn btn-quiet" :disabled="into === ''" @click="asks = true">Make them one</button>
    </div>
    <p v-if="problem" class="mt-2 font-[650]" role="alert">{{ problem }}</p>
    <AskOnce
      :open="asks"
      :title="`Make ${dog.name} and ${kept} one dog?`"
      :says="[
        `Visits, gradings, coat book, notes and burns of ${dog.name} go to ${kept}.`,
        `The entry ${dog.name} is gone. This is not taken back.`
      ]"
      action="Make them one"
      working="Making them one …"
      :run="merge"
      @close="asks = false"
    />
  </section>
</template>
