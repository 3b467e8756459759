<script setup lang="ts">
import { computed } from 'vue'
import { GLYPH_TONE, GLYPHS, type GlyphName } from './glyphs'

const props = withDefaults(defineProps<{ name: GlyphName; size?: number; plain?: boolean }>(), { size: 20, plain: false })
const drawing = computed(() => GLYPHS[props.name === 'held' ? 'hold' : props.name])
const tone = computed(() => (props.plain ? '' : (GLYPH_TONE[props.name] ?? '')))
</script>

<template>
  <!-- the drawings are constants of our own -->
  <!-- eslint-disable-next-line vue/no-v-html -->
  <svg :class="['inline-block flex-none', tone]" :width="size" :height="size" viewBox="0 0 20 20" aria-hidden="true" v-html="drawing" />
</template>
