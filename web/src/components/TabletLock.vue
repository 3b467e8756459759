<script setup lang="ts">
import { useIdle } from '@vueuse/core'
import { watch } from 'vue'
import { useHandOver } from '../composables/useHandOver'

// A tablet that people share locks itself when no hand has touched it for some minutes.
const props = defineProps<{ minutes: number }>()
const { handOver } = useHandOver()
const { idle } = useIdle(props.minutes * 60000)
watch(idle, (isIdle) => isIdle && void handOver())
</script>

<template><span hidden /></template>
