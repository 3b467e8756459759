<script setup lang="ts">
import { addressOf } from '@peen/contract'
import type { RackView } from '@peen/contract'
import { lengthLeft, type Tool } from '@peen/core/tools'
import { sayLength, type LengthUnit } from '@peen/core/units'
import { useLocalStorage } from '@vueuse/core'
import { computed, onMounted, ref } from 'vue'
import { ask, sentenceOf } from '../api/client'
import SheetDialog from '../components/SheetDialog.vue'
import ToolForm from './ToolForm.vue'
import TopLine from '../components/TopLine.vue'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// The school's rack: what each tool leaves with the growth and against it.
const session = useSessionStore()
const unit = useLocalStorage<LengthUnit>('peen.unit', 'mm')
const setting = computed(() => session.school?.tools.filter((tool) => tool.lengthMm !== null) ?? [])
const others = computed(() => session.school?.tools.filter((tool) => tool.lengthMm === null) ?? [])
function leaves(tool: Tool, direction: 'with' | 'against'): { readonly length: string; readonly because: string } {
  const left = lengthLeft(tool, direction)
  return left.allowed
    ? { length: sayLength(left.lengthMm, unit.value), because: direction === 'against' ? left.because : '' }
    : { length: t('library.notAllowed'), because: left.because }
}

// ---- the school changes its rack: as a whole, and back again
const undo = ref<string | null>(null)
const nicks = ref<RackView['nicks']>({})
const sayNicks = (id: string) => (nicks.value[id] ? t('library.nicksRecorded', { n: nicks.value[id] }) : '')
const editing = ref<Tool | 'new' | null>(null)
const refused = ref<string | null>(null)
/** the server's own limit, said before anything is sent */
const MOST_MB = 5
onMounted(async () => {
  if (!session.isStaff) return
  const rack = await ask('rack')
  undo.value = rack.undo
  nicks.value = rack.nicks
})
async function change(work: () => Promise<RackView>): Promise<void> {
  try {
    undo.value = (await work()).undo
    refused.value = null
    editing.value = null
    await session.refreshSchool()
  } catch (caught) {
    refused.value = sentenceOf(caught)
  }
}
const nameOf = (tool: Tool) => `${tool.kind} ${tool.label}`
const write = (tools: readonly Tool[], what: string) => change(() => ask('keepRack', { body: { tools, what } }))
function keep(tool: Tool): void {
  const before = session.school!.tools
  const known = before.some(({ id }) => id === tool.id) && editing.value !== 'new'
  const tools = known ? before.map((one) => (one.id === tool.id ? tool : one)) : [...before, tool]
  void write(tools, `${nameOf(tool)} ${known ? 'changed' : t('library.added')}`)
}
function remove(): void {
  const gone = editing.value as Tool
  void write(
    session.school!.tools.filter(({ id }) => id !== gone.id),
    t('library.goneRemoved', { gone: nameOf(gone) })
  )
}
async function upload(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  if (file.size > MOST_MB * 1048576) {
    refused.value = t('library.fileSizeMbMustMostmb', { size: Math.ceil(file.size / 1048576), mostmb: MOST_MB })
    return
  }
  await change(() => ask('importRack', { file }))
}
function open(tool: Tool | 'new'): void {
  refused.value = null
  editing.value = tool
}
</script>

<template>
  <TopLine :what="t('library.rack')" />
  <main class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0" :aria-label="t('library.rack')">
    <div class="flex flex-wrap items-end gap-3">
      <h2 class="title flex-1">{{ t('library.whatEachToolLeaves') }}</h2>
      <div v-if="session.isStaff" class="flex flex-wrap gap-2">
        <template v-if="session.isLead">
          <button v-if="undo" class="btn btn-quiet min-h-11" @click="change(() => ask('undoRack'))">
            {{ t('library.undoUndo', { undo }) }}
          </button>
          <button class="btn min-h-11" @click="open('new')">{{ t('library.addTool') }}</button>
          <label class="btn btn-quiet min-h-11 cursor-pointer focus-within:outline-3"
            >{{ t('library.importTable')
            }}<input class="sr-only" type="file" accept=".csv,text/csv" :aria-label="t('library.importRackFromCsvFile')" @change="upload"
          /></label>
        </template>
        <a class="btn btn-quiet min-h-11" :href="addressOf('rackTable', {})" download>{{ t('library.exportTable') }}</a>
      </div>
      <button class="btn btn-quiet min-h-11" @click="unit = unit === 'mm' ? 'in' : 'mm'">
        {{ t('library.lengthsUnit', { unit: unit === 'mm' ? t('library.inches') : t('library.mm2') }) }}
      </button>
    </div>
    <hr class="rule2 mt-2" />
    <p v-if="refused && editing === null" class="mt-2 font-semibold whitespace-pre-line text-danger" role="alert">{{ refused }}</p>
    <table class="w-full border-collapse text-left">
      <thead class="muted">
        <tr class="h-10">
          <th class="font-normal">{{ t('library.tool') }}</th>
          <th class="font-normal">{{ t('library.growth') }}</th>
          <th class="font-normal">{{ t('library.againstGrowth') }}</th>
          <th class="font-normal max-sm:hidden">{{ t('library.note') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="tool in setting" :key="tool.id" class="h-12 border-t border-line align-middle">
          <th class="pr-4 text-[18px] font-[650]">
            <button v-if="session.isLead" class="min-h-11 text-left underline decoration-1 underline-offset-4" @click="open(tool)">
              {{ nameOf(tool) }}</button><template v-else>{{ nameOf(tool) }}</template>
          </th>
          <td class="pr-4 text-[18px]">{{ leaves(tool, 'with').length }}</td>
          <td class="pr-4">
            <span class="text-[18px]">{{ leaves(tool, 'against').length }}</span>
            <span class="muted ml-2 max-sm:hidden">{{ leaves(tool, 'against').because }}</span>
          </td>
          <td class="muted max-sm:hidden">
            {{ tool.note }}<span v-if="sayNicks(tool.id)" class="block text-danger">{{ sayNicks(tool.id) }}</span>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="muted mt-4 leading-[1.35]">
      {{ t('library.againstGrowthBladeLeavesLength') }}
    </p>
    <p class="mt-3 leading-[1.35]">
      {{ t('library.toolsWithoutSetLength') }}
      <template v-for="(tool, i) in others" :key="tool.id"
        ><button v-if="session.isLead" class="min-h-11 underline decoration-1 underline-offset-4" @click="open(tool)">
          {{ tool.label }}</button
        ><template v-else>{{ tool.label }}</template
        ><span v-if="sayNicks(tool.id)" class="text-danger"> ({{ sayNicks(tool.id) }})</span
        >{{ i < others.length - 1 ? ', ' : '.' }}</template
      >
    </p>
    <SheetDialog v-if="editing" :open="true" :title="editing === 'new' ? t('library.addTool') : nameOf(editing)" @close="editing = null">
      <ToolForm :tool="editing === 'new' ? null : editing" :refused="refused" @keep="keep" @remove="remove" />
    </SheetDialog>
  </main>
</template>
