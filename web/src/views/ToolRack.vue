<script setup lang="ts">
import { lengthLeft, type Tool } from '@peen/core/tools'
import { sayLength, type LengthUnit } from '@peen/core/units'
import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import TopLine from '../components/TopLine.vue'
import { useSessionStore } from '../stores/session'

// The school's rack: what each tool leaves with the growth and against it.
const session = useSessionStore()
const unit = useLocalStorage<LengthUnit>('peen.unit', 'mm')
const setting = computed(() => session.school?.tools.filter((tool) => tool.lengthMm !== null) ?? [])
const others = computed(() => session.school?.tools.filter((tool) => tool.lengthMm === null) ?? [])
function leaves(tool: Tool, direction: 'with' | 'against'): { readonly length: string; readonly because: string } {
  const left = lengthLeft(tool, direction)
  return left.allowed
    ? { length: sayLength(left.lengthMm, unit.value), because: direction === 'against' ? left.because : '' }
    : { length: 'not allowed', because: left.because }
}
</script>

<template>
  <TopLine what="The rack" />
  <main class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0" aria-label="The rack">
    <div class="flex flex-wrap items-end justify-between gap-3">
      <h1>What each tool leaves</h1>
      <button class="btn btn-quiet min-h-11" @click="unit = unit === 'mm' ? 'in' : 'mm'">
        lengths in {{ unit === 'mm' ? 'inches' : 'mm' }}
      </button>
    </div>
    <hr class="rule2 mt-2" />
    <table class="w-full border-collapse text-left">
      <thead class="muted">
        <tr class="h-10">
          <th class="font-normal">Tool</th>
          <th class="font-normal">With the growth</th>
          <th class="font-normal">Against it</th>
          <th class="font-normal max-sm:hidden">Note</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="tool in setting" :key="tool.id" class="h-12 border-t border-line align-middle">
          <th class="pr-4 text-[18px] font-[650]">{{ tool.kind }} {{ tool.label }}</th>
          <td class="pr-4 text-[18px]">{{ leaves(tool, 'with').length }}</td>
          <td class="pr-4">
            <span class="text-[18px]">{{ leaves(tool, 'against').length }}</span>
            <span class="muted max-sm:hidden">{{ leaves(tool, 'against').because }}</span>
          </td>
          <td class="muted max-sm:hidden">{{ tool.note }}</td>
        </tr>
      </tbody>
    </table>
    <p class="muted mt-4 leading-[1.35]">
      Against the growth a blade leaves what stands two steps further down the trade’s own series; under 0.25 mm is not allowed. A comb sets
      its length itself, over its base blade. These are ordinary trade lengths, common practice: makers differ by some tenths.
    </p>
    <p class="mt-3 leading-[1.35]">Without a length of their own: {{ others.map((tool) => tool.label).join(', ') }}.</p>
  </main>
</template>
