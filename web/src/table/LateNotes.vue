<script setup lang="ts">
import type { PracticeEvent } from '@peen/core/practice'
import { computed } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import { techniqueById } from '../stores/techniques'
import { t } from '../words'

// What came after the dog was closed: kept, and counted only when an instructor says so.
const props = defineProps<{ waiting: readonly string[]; events: readonly PracticeEvent[]; staff: boolean }>()
defineEmits<{ confirm: [eventId: string] }>()
const KINDS: Partial<Record<PracticeEvent['kind'], string>> = {
  promptGiven: t('table.prompt'),
  faultNoted: t('table.fault'),
  helped: t('table.help2'),
  safetyNoted: t('table.safetyEvent'),
  praised: t('table.praise2'),
  attemptEnded: t('table.endStep'),
  noted: t('table.note')
}
const late = computed(() => props.events.filter((event) => props.waiting.includes(event.id)))
function say(event: PracticeEvent): string {
  if (event.kind === 'attemptStarted')
    return t('table.startName', { name: techniqueById(event.payload.techniqueId)?.name ?? event.payload.techniqueId })
  return KINDS[event.kind] ?? t('table.tap')
}
</script>

<template>
  <div v-for="event in late" :key="event.id" class="mt-2 border-[1.5px] border-dashed border-hair p-2 leading-[1.3]">
    <p>
      <GlyphMark name="cannotTell" :size="17" class="mr-1 align-[-3px]" />{{
        t('table.arrivedAfterDogFinishedEvent', { event: say(event) })
      }}
    </p>
    <button v-if="staff" class="btn btn-quiet mt-1.5 min-h-11 w-full" @click="$emit('confirm', event.id)">{{ t('table.count') }}</button>
  </div>
</template>
