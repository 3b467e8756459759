<script setup lang="ts">
import { DRAWINGS, useDogDrawing } from '../composables/useDogDrawing'
import { activeKeys } from '../composables/useKeys'
import SheetDialog from './SheetDialog.vue'
import ToggleButtons from './ToggleButtons.vue'
import { t } from '../words'

defineProps<{ open: boolean }>()
defineEmits<{ close: [] }>()
const drawing = useDogDrawing()
const asOption = <T extends string>(id: T) => ({ id, name: id })
const names: Record<string, string> = { ArrowLeft: '←', ArrowRight: '→', ArrowUp: '↑', ArrowDown: '↓', Enter: 'Enter' }
</script>

<template>
  <SheetDialog :open="open" :title="t('shell.keys')" @close="$emit('close')">
    <dl class="grid grid-cols-1 gap-x-8 sm:grid-cols-2">
      <div v-for="key in activeKeys" :key="key.key + key.label" class="flex items-center gap-3 border-b border-line py-2">
        <dt>
          <kbd
            class="inline-block min-w-9 rounded-[4px] border-[1.5px] border-hair px-2 py-1 text-center font-sans leading-none font-[650]"
            >{{ names[key.key] ?? key.key.toUpperCase() }}</kbd
          >
        </dt>
        <dd>{{ key.label }}</dd>
      </div>
    </dl>
    <p class="muted mt-3">{{ t('shell.drawnDogPressTabReach') }}</p>
    <fieldset class="mt-4">
      <legend class="label">{{ t('shell.drawDogs') }}</legend>
      <ToggleButtons :options="DRAWINGS.map(asOption)" :is-on="(id) => id === drawing" @toggle="(id) => (drawing = id)" />
    </fieldset>
    <p class="muted mt-3">{{ t('shell.deviceOnlyPlainShapesQuicker') }}</p>
    <RouterLink to="/settings" class="btn btn-quiet mt-4" @click="$emit('close')">{{ t('shell.yourSettingsUnitsThemeText') }}</RouterLink>
  </SheetDialog>
</template>
