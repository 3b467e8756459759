<script setup lang="ts">
import { Camera, Hand, HandHelping, MessageSquare, NotebookPen, PawPrint, Pause, Sprout } from '@lucide/vue'
import type { VisitState } from '@peen/core/practice'
import { computed } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import StopKey from './StopKey.vue'
import { t } from '../words'

// Big keys under the thumb. Each tap draws one hair and is recorded at once; what it means more closely is asked afterwards.
type KeyName = 'fault' | 'prompt' | 'helped' | 'praise' | 'stress' | 'break' | 'stop'
const props = defineProps<{ tally: VisitState['tally']; onBreak: boolean; stopped: boolean; staff: boolean; mayAsk: boolean }>()
const emit = defineEmits<{ press: [key: KeyName]; picture: [file: File]; note: []; ask: [] }>()

const hairs = (n: number) =>
  Array.from({ length: Math.min(n, 4) }, (_, i) => `M${4 + i * 9} 25q${i % 2 ? 3 : -2} -12 ${i % 2 ? -1 : 2} -23`)
const ALL = [
  { name: 'fault', label: t('table.fault2'), icon: null, staff: true },
  { name: 'prompt', label: t('table.prompt2'), icon: MessageSquare, staff: true },
  { name: 'helped', label: t('table.helped'), icon: HandHelping, staff: true },
  { name: 'praise', label: t('table.praise'), icon: Sprout, staff: true },
  { name: 'stress', label: t('table.dogUneasy'), icon: PawPrint, staff: false }
] as const
const keys = computed(() => ALL.filter((key) => props.staff || !key.staff))

function takePicture(event: Event): void {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (file) emit('picture', file)
}
</script>

<template>
  <div :class="['grid grid-cols-3 gap-2 p-3 max-sm:grid-cols-3 lg:px-4', staff ? 'max-lg:grid-cols-5' : 'max-lg:grid-cols-6']">
    <button v-if="!staff" class="key border-act" data-key="ask" :disabled="!mayAsk" @click="$emit('ask')">
      <Hand :size="28" :stroke-width="1.75" :class="mayAsk ? 'text-act' : ''" aria-hidden="true" />
      <span class="key-label">{{ mayAsk ? t('table.askHelp') : t('table.helpWay') }}</span>
    </button>
    <button
      v-for="key in keys"
      :key="key.name"
      :class="['key', key.name === 'praise' ? 'border-act' : '']"
      :data-key="key.name"
      @click="$emit('press', key.name)"
    >
      <span class="flex items-start justify-between">
        <GlyphMark v-if="key.icon === null" name="fails" :size="28" /><component
          :is="key.icon"
          v-else
          :size="28"
          :stroke-width="1.75"
          :class="key.name === 'praise' ? 'text-act' : ''"
          aria-hidden="true"
        />
        <svg :width="Math.min(tally[key.name], 4) * 9 + 4" height="26" aria-hidden="true" class="max-lg:hidden">
          <path v-for="(d, i) in hairs(tally[key.name])" :key="i" :d="d" fill="none" stroke="currentColor" stroke-width="2" />
        </svg>
      </span>
      <span class="key-label"
        >{{ key.label }}<span class="sr-only">{{ t('table.nameSoFar', { name: tally[key.name] }) }}</span></span
      >
    </button>
    <label class="key cursor-pointer focus-within:outline-3 focus-within:outline-offset-3 focus-within:outline-ink" data-key="picture">
      <span class="flex items-start justify-between"
        ><Camera :size="28" :stroke-width="1.75" aria-hidden="true" /><span class="text-[18px] font-semibold max-lg:hidden">{{
          tally.picture || ''
        }}</span></span
      >
      <span class="key-label">{{ t('table.picture') }}</span>
      <input
        class="sr-only"
        type="file"
        accept="image/jpeg,image/png,image/webp"
        capture="environment"
        :aria-label="t('table.pictureDogWorkNoPeople')"
        @change="takePicture"
      />
    </label>
    <button class="key" data-key="note" @click="$emit('note')">
      <NotebookPen :size="28" :stroke-width="1.75" aria-hidden="true" />
      <span class="key-label">{{ t('table.note2') }}</span>
    </button>
    <button class="key" data-key="break" :aria-pressed="onBreak" @click="$emit('press', 'break')">
      <span class="flex items-start justify-between"
        ><Pause :size="28" :stroke-width="1.75" aria-hidden="true" /><svg
          :width="Math.min(tally.break, 4) * 9 + 4"
          height="26"
          aria-hidden="true"
          class="max-lg:hidden"
        >
          <path v-for="(d, i) in hairs(tally.break)" :key="i" :d="d" fill="none" stroke="currentColor" stroke-width="2" /></svg
      ></span>
      <span class="key-label">{{ onBreak ? t('table.backWork') : t('table.break2') }}</span>
    </button>
    <!-- on a small screen it stands under the thumb instead, above the bar -->
    <div class="contents max-lg:hidden"><StopKey class="key" :stopped="stopped" @press="$emit('press', 'stop')" /></div>
  </div>
</template>

<style scoped>
.key {
  display: flex;
  flex-direction: column;
  justify-content: space-between;
  min-height: 84px;
  padding: 8px 10px;
  border: 1.5px solid var(--ink);
  border-bottom-width: 6px;
  border-radius: 4px;
  background: var(--plate);
  color: var(--ink);
  text-align: left;
  overflow: hidden;
  transition: transform 120ms ease-out;
}
.key:active {
  transform: translateY(4px);
  border-bottom-width: 2px;
  margin-bottom: 4px;
}
.key.border-act {
  border-color: var(--act);
}
.key-label {
  display: block;
  font-weight: 650;
  font-size: 16px;
  line-height: 1.1;
}
@media (min-width: 64rem) {
  .key-label {
    font-size: 17px;
  }
}
@media (min-width: 64rem) and (min-height: 860px) {
  .key {
    min-height: 104px;
    padding: 12px;
  }
}
</style>
