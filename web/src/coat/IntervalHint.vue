<script setup lang="ts">
import { computed } from 'vue'
import { useAsked } from '../composables/useAsked'
import { sayWeeks } from './interval'

// Beside "back in weeks": what the trim, this dog's growth and the brush at home say. The coat book itself is not read here: whoever
// closes a visit stays blind to what another assessor measured.
const props = defineProps<{ visitId: string; dogId: string }>()
const { data } = useAsked('visitCoat', () => ({ id: props.visitId }))
const weeks = computed(() => (data.value?.interval ? { ...sayWeeks(data.value.interval), ends: data.value.interval.ends } : null))
</script>

<template>
  <p v-if="weeks" class="muted mt-1 leading-[1.3]">
    This trim on this dog: {{ weeks.ideal }} {{ weeks.ideal === 1 ? 'week' : 'weeks' }} at best, {{ weeks.fair }} still fair,
    {{ weeks.longest }} the longest{{ weeks.ends === 'mats' ? ', for mats' : '' }}.
    <RouterLink :to="`/coat/${dogId}/next-visit`" class="inline-flex min-h-11 items-center">Place by place</RouterLink>
  </p>
</template>
