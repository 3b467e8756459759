<script setup lang="ts">
import { HandHelping, MessageSquare, Pause, Sprout } from '@lucide/vue'
import type { SessionState } from '@peen/core/practice'
import { ref } from 'vue'
import GlyphMark from './GlyphMark.vue'

// Six big keys under the thumb. Each tap draws one hair; Stop wants a second's hold, or Enter on the keyboard.
type KeyName = 'fault' | 'prompt' | 'helped' | 'praise' | 'break' | 'stop'
defineProps<{ tally: SessionState['tally']; onBreak: boolean; staff: boolean }>()
const emit = defineEmits<{ press: [key: KeyName] }>()

const HOLD_MS = 1000
const holding = ref(false)
let timer: ReturnType<typeof setTimeout> | undefined
function holdStop(): void {
  holding.value = true
  timer = setTimeout(() => {
    holding.value = false
    emit('press', 'stop')
  }, HOLD_MS)
}
function letGo(): void {
  clearTimeout(timer)
  holding.value = false
}
const hairs = (n: number) =>
  Array.from({ length: Math.min(n, 6) }, (_, i) => `M${4 + i * 9} 25q${i % 2 ? 3 : -2} -12 ${i % 2 ? -1 : 2} -23`)
const keys = [
  { name: 'fault', label: 'Fault', hint: 'then touch where' },
  { name: 'prompt', label: 'Prompt', hint: 'a word from you' },
  { name: 'helped', label: 'Helped', hint: 'whose hands, where' },
  { name: 'praise', label: 'Praise', hint: 'what was good' }
] as const
</script>

<template>
  <div class="grid grid-cols-3 gap-2 p-3 sm:grid-cols-3 lg:grid-cols-2 lg:gap-2.5 lg:p-4">
    <template v-if="staff">
      <button
        v-for="key in keys"
        :key="key.name"
        :class="['key', key.name === 'praise' ? 'border-act' : '']"
        :data-key="key.name"
        @click="$emit('press', key.name)"
      >
        <span class="flex items-start justify-between">
          <GlyphMark v-if="key.name === 'fault'" name="fails" :size="34" /><MessageSquare
            v-else-if="key.name === 'prompt'"
            :size="34"
            :stroke-width="1.75"
            aria-hidden="true"
          /><HandHelping v-else-if="key.name === 'helped'" :size="34" :stroke-width="1.75" aria-hidden="true" /><Sprout
            v-else
            :size="34"
            :stroke-width="1.75"
            class="text-act"
            aria-hidden="true"
          />
          <svg :width="Math.min(tally[key.name], 6) * 9 + 4" height="26" aria-hidden="true">
            <path v-for="(d, i) in hairs(tally[key.name])" :key="i" :d="d" fill="none" stroke="currentColor" stroke-width="2" />
          </svg>
        </span>
        <span
          ><span class="key-label">{{ key.label }}</span
          ><span class="key-hint">{{ key.hint }}</span
          ><span class="sr-only">, {{ tally[key.name] }} so far</span></span
        >
      </button>
    </template>
    <button class="key" data-key="break" :aria-pressed="onBreak" @click="$emit('press', 'break')">
      <span class="flex items-start justify-between"
        ><Pause :size="34" :stroke-width="1.75" aria-hidden="true" /><svg
          :width="Math.min(tally.break, 6) * 9 + 4"
          height="26"
          aria-hidden="true"
        >
          <path v-for="(d, i) in hairs(tally.break)" :key="i" :d="d" fill="none" stroke="currentColor" stroke-width="2" /></svg
      ></span>
      <span
        ><span class="key-label">{{ onBreak ? 'Back to work' : 'Break' }}</span
        ><span class="key-hint">{{ onBreak ? 'the dog is off the table' : 'dog off the table' }}</span></span
      >
    </button>
    <button
      class="key stop"
      data-key="stop"
      @pointerdown="holdStop"
      @pointerup="letGo"
      @pointerleave="letGo"
      @keydown.enter.prevent="$emit('press', 'stop')"
      @keydown.space.prevent="$emit('press', 'stop')"
    >
      <span class="fill" :class="{ holding }" aria-hidden="true" />
      <span class="relative"><GlyphMark name="hold" :size="34" plain /></span>
      <span class="relative"><span class="key-label">Stop</span><span class="key-hint text-danger-ink!">hold for 1 second</span></span>
    </button>
  </div>
</template>

<style scoped>
.key {
  position: relative;
  display: flex;
  flex-direction: column;
  justify-content: space-between;
  min-height: 112px;
  padding: 10px 12px;
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
  font-size: 20px;
  line-height: 1.1;
}
.key-hint {
  display: none;
  font-size: 16px;
  line-height: 1.2;
  color: var(--ink2);
  margin-top: 3px;
}
.stop {
  background: var(--danger);
  border-color: var(--danger);
  color: var(--danger-ink);
  touch-action: none;
}
.fill {
  position: absolute;
  inset: 0;
  transform: scaleY(0);
  transform-origin: bottom;
  background: rgb(0 0 0 / 35%);
}
.fill.holding {
  transform: scaleY(1);
  transition: transform 1s linear;
}
@media (min-width: 64rem) {
  .key {
    min-height: 104px;
  }
  .key-label {
    font-size: 22px;
  }
}
@media (min-width: 64rem) and (min-height: 860px) {
  .key {
    min-height: 140px;
    padding: 13px;
  }
  .key-hint {
    display: block;
  }
}
</style>
