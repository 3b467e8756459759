<script setup lang="ts" generic="T extends string">
import GlyphMark from './GlyphMark.vue'
import type { GlyphName } from './glyphs'

// Several big buttons of which any may be on; each says so to a screen reader as well.
defineProps<{
  options: readonly { readonly id: T; readonly name: string; readonly glyph?: GlyphName | null }[]
  isOn: (id: T) => boolean
  disabled?: boolean
}>()
defineEmits<{ toggle: [id: T] }>()
</script>

<template>
  <div class="flex flex-wrap gap-2">
    <button
      v-for="{ id, name, glyph } in options"
      :key="id"
      type="button"
      :class="['btn min-h-11 flex-auto px-3 py-1 text-[16px]', isOn(id) ? 'bg-ink text-sheet' : 'btn-quiet']"
      :aria-pressed="isOn(id)"
      :disabled="disabled"
      @click="$emit('toggle', id)"
    >
      <GlyphMark v-if="glyph" :name="glyph" :size="16" plain />{{ name }}
    </button>
  </div>
</template>
