<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { DRAWINGS, useDogDrawing } from '../composables/useDogDrawing'
import { activeKeys } from '../composables/useKeys'
import SheetDialog from '../components/SheetDialog.vue'
import ToggleButtons from '../components/ToggleButtons.vue'
import { helpOf } from './help-of'
import { useHelpStore } from '../stores/help'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

const help = useHelpStore()
const session = useSessionStore()
const route = useRoute()
const lines = computed(() => helpOf(route.matched.at(-1)?.path ?? '', String(route.params.part ?? '') || null, session.isStaff))
const close = () => (help.open = false)
const drawing = useDogDrawing()
const asOption = <T extends string>(id: T) => ({ id, name: id })
const names: Record<string, string> = { ArrowLeft: '←', ArrowRight: '→', ArrowUp: '↑', ArrowDown: '↓', Enter: 'Enter' }
</script>

<template>
  <SheetDialog :open="help.open" :title="t('shell.helpAndKeys')" @close="close">
    <ul v-if="lines.length > 0" class="m-0 mb-4 list-none p-0" data-testid="help">
      <li v-for="line in lines" :key="line" class="py-1 font-serif text-[18px] leading-[1.3]">{{ line }}</li>
    </ul>
    <RouterLink to="/glossary" class="btn btn-quiet mb-4" @click="close">{{ t('shell.openGlossary') }}</RouterLink>
    <h3 class="label">{{ t('shell.keysHere') }}</h3>
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
    <RouterLink to="/settings" class="btn btn-quiet mt-4" @click="close">{{ t('shell.yourSettingsUnitsThemeText') }}</RouterLink>
  </SheetDialog>
</template>
