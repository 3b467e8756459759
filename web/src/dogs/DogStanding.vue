<script setup lang="ts">
import type { DogView } from '@peen/contract'
import { standingOf } from '@peen/core/checkin'
import { computed, ref } from 'vue'
import { ask, sentenceOf } from '../api/client'
import GlyphMark from '../components/GlyphMark.vue'
import { t } from '../words'

// Whether a dog may be worked on: free, limited, or refused by a vet's word or by two people.
const props = defineProps<{ dog: DogView }>()
const emit = defineEmits<{ changed: [] }>()
const reason = ref(props.dog.standing?.reason ?? '')
const vet = ref(false)
const refused = ref<string | null>(null)
const now = computed(() => standingOf(props.dog.name, props.dog.standing))

async function decide(kind: 'limited' | 'refused' | 'free'): Promise<void> {
  try {
    await ask('decideStanding', { id: props.dog.id, body: { kind, reason: reason.value, vet: vet.value } })
    refused.value = null
    emit('changed')
  } catch (caught) {
    refused.value = sentenceOf(caught)
  }
}
</script>

<template>
  <section :aria-label="t('dogs.fitWorked')">
    <h2 class="title">{{ t('dogs.fitWorked2') }}</h2>
    <hr class="rule2 mt-2 mb-3" />
    <p v-if="now" class="mb-2 font-semibold text-danger"><GlyphMark name="hold" :size="17" class="mr-1 align-[-3px]" />{{ now.say }}</p>
    <p v-else class="mb-2">{{ t('dogs.yesInstructorCanLimitDog') }}</p>
    <label class="label" for="standing-reason">{{ t('dogs.reason') }}</label>
    <input id="standing-reason" v-model="reason" class="field max-w-[560px]" maxlength="200" />
    <label class="flex min-h-11 items-center gap-3"
      ><input v-model="vet" type="checkbox" class="size-6 accent-(--act)" />{{ t('dogs.vetsAdvice') }}</label
    >
    <p v-if="refused" class="mb-2 font-semibold text-danger" role="alert">{{ refused }}</p>
    <div class="flex flex-wrap gap-2">
      <button class="btn btn-quiet" @click="decide('limited')">{{ t('dogs.limit') }}</button>
      <button class="btn btn-quiet text-danger" @click="decide('refused')">{{ t('dogs.refuse') }}</button>
      <button v-if="dog.standing" class="btn btn-quiet" @click="decide('free')">{{ t('dogs.clear') }}</button>
    </div>
  </section>
</template>
