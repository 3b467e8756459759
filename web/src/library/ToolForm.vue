<script setup lang="ts">
import { SETTINGS, TOOL_KINDS } from '@peen/contract'
import type { Tool } from '@peen/core/tools'
import { computed, ref } from 'vue'
import { t } from '../words'

// One tool of the rack, new or changed. What is typed stays until the rack has taken it.
const props = defineProps<{ tool: Tool | null; refused: string | null }>()
const emit = defineEmits<{ keep: [tool: Tool]; remove: [] }>()
const KINDS: Readonly<Record<Tool['kind'], string>> = {
  ...{
    blade: t('library.blade'),
    comb: t('library.combAttachment'),
    scissors: t('library.scissors'),
    hand: t('library.pullingCarding'),
    brush: t('library.brushOrComb')
  },
  aid: 'other'
}
const kind = ref<Tool['kind']>(props.tool?.kind ?? 'blade')
const label = ref(props.tool?.label ?? '')
const length = ref(props.tool?.lengthMm === null || props.tool === null ? '' : String(props.tool.lengthMm))
const fraction = ref(props.tool?.fraction ?? '')
const toothing = ref<string>(props.tool?.toothing ?? '')
const base = ref<string>(props.tool?.base ?? '')
const setTo = ref<string>(props.tool?.setTo ?? '')
const note = ref(props.tool?.note ?? '')
const setsLength = computed(() => kind.value === 'blade' || kind.value === 'comb')
const idOf = () =>
  `${kind.value}-${label.value}`
    .toLowerCase()
    .replaceAll('½', 'h')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 40)

function keep(): void {
  const typed = length.value.trim().replace(',', '.')
  emit('keep', {
    id: props.tool?.id ?? idOf(),
    kind: kind.value,
    label: label.value.trim(),
    lengthMm: !setsLength.value || typed === '' ? null : Number(typed),
    fraction: !setsLength.value || fraction.value.trim() === '' ? null : fraction.value.trim(),
    toothing: kind.value === 'blade' && toothing.value !== '' ? (toothing.value as 'finish') : null,
    base: kind.value === 'comb' && base.value !== '' ? (base.value as '30') : null,
    ...(kind.value === 'blade' && setTo.value !== '' ? { setTo: setTo.value } : {}),
    note: note.value.trim()
  })
}
</script>

<template>
  <form class="grid gap-3 sm:grid-cols-2" novalidate @submit.prevent="keep">
    <label
      ><span class="label">{{ t('library.kind') }}</span>
      <select v-model="kind" class="field h-12" :disabled="tool !== null">
        <option v-for="one in TOOL_KINDS" :key="one" :value="one">{{ KINDS[one] }}</option>
      </select></label
    >
    <label
      ><span class="label">{{ t('library.label') }}</span
      ><input v-model="label" class="field" maxlength="40"
    /></label>
    <template v-if="setsLength">
      <label
        ><span class="label">{{ t('library.leavesGrowthMm') }}</span
        ><input v-model="length" class="field" inputmode="decimal"
      /></label>
      <label
        ><span class="label">{{ t('library.fractionInch') }}</span
        ><input v-model="fraction" class="field" placeholder="1/8"
      /></label>
    </template>
    <label v-if="kind === 'blade'"
      ><span class="label">{{ t('library.toothing') }}</span>
      <select v-model="toothing" class="field h-12">
        <option value="">{{ t('library.notGiven') }}</option>
        <option value="finish">{{ t('library.finish') }}</option>
        <option value="skip">{{ t('library.skip') }}</option>
      </select></label
    >
    <label v-if="kind === 'blade'"
      ><span class="label">{{ t('library.adjustableSet') }}</span>
      <select v-model="setTo" class="field h-12">
        <option value="">{{ t('library.notAdjustable') }}</option>
        <option v-for="one in SETTINGS" :key="one" :value="one">{{ t('library.setTo', { one }) }}</option>
      </select></label
    >
    <label v-if="kind === 'comb'"
      ><span class="label">{{ t('library.goesOver') }}</span>
      <select v-model="base" class="field h-12">
        <option value="">{{ t('library.houseRule') }}</option>
        <option value="30">{{ t('library.setTo', { one: 30 }) }}</option>
        <option value="10">{{ t('library.setTo', { one: 10 }) }}</option>
      </select></label
    >
    <label class="sm:col-span-2"
      ><span class="label">{{ t('library.note') }}</span
      ><input v-model="note" class="field" maxlength="120"
    /></label>
    <p v-if="refused" class="font-semibold text-danger sm:col-span-2" role="alert">{{ refused }}</p>
    <button class="btn btn-go">{{ t('library.save') }}</button>
    <button v-if="tool" type="button" class="btn btn-quiet" @click="emit('remove')">{{ t('library.remove') }}</button>
  </form>
</template>
