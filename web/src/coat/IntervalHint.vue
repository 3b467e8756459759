<script setup lang="ts">
import { computed } from 'vue'
import { useAsked } from '../composables/useAsked'
import { sayWeeks } from './interval'
import { t } from '../words'

// Beside "back in weeks": what the trim, this dog's growth and the brush at home say. The coat book itself is not read here: whoever
// closes a visit stays blind to what another assessor measured.
const props = defineProps<{ visitId: string; dogId: string }>()
const { data } = useAsked('visitCoat', () => ({ id: props.visitId }))
const weeks = computed(() => (data.value?.interval ? { ...sayWeeks(data.value.interval), ends: data.value.interval.ends } : null))
</script>

<template>
  <p v-if="weeks" class="muted mt-1 leading-[1.3]">
    {{ t('coat.trimLasts', { ideal: weeks.ideal, fair: weeks.fair, longest: weeks.longest, ends: weeks.ends }) }}
    <RouterLink :to="`/coat/${dogId}/next-visit`" class="inline-flex min-h-11 items-center">{{ t('coat.placePlace') }}</RouterLink>
  </p>
</template>
