<script setup lang="ts">
import { GIVE_OR_TAKE, giveOrTake } from '@peen/core/units'
import { bodies, coats } from '@peen/content'
import type { Standard } from '@peen/core/standard'
import { ref } from 'vue'
import NumberBox from './NumberBox.vue'
import { t } from '../words'

// What holds for the whole standard: name, time, pass mark, floors, what caps the mark, what makes it.
const props = defineProps<{ standard: Standard }>()
const emit = defineEmits<{ change: [part: Partial<Standard>] }>()
const text = (event: Event) => (event.target as HTMLInputElement).value
const coatsOf = (bodyType: string) => coats.filter(({ body }) => body === bodyType)
const putShapes = (drawnAs: string) => emit('change', { plan: { ...props.standard.plan, drawnAs } })
const putBody = (bodyType: string) => emit('change', { bodyType, plan: { ...props.standard.plan, drawnAs: coatsOf(bodyType)[0].id } })
const putSection = (id: string, floor: number) =>
  emit('change', { sections: props.standard.sections.map((section) => (section.id === id ? { ...section, floor } : section)) })
const putCap = (id: string, cap: number) =>
  emit('change', { critical: props.standard.critical.map((fault) => (fault.id === id ? { ...fault, cap } : fault)) })
const putInstrument = (id: string, part: object) =>
  emit('change', { instruments: props.standard.instruments.map((one) => (one.id === id ? { ...one, ...part } : one)) })
/** What is told as give or take is kept as its standard uncertainty; no part of it is more than all of it. */
function putU(one: Standard['instruments'][number], within: number): void {
  const uMm = within / GIVE_OR_TAKE
  putInstrument(one.id, { uMm, commonMm: Math.min(one.commonMm, uMm) })
}
/** An id that nothing here has yet, from its name. */
const idFor = (name: string, taken: readonly { readonly id: string }[]) => {
  const base =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 40) || 'own'
  return [base, ...Array.from({ length: 30 }, (_, i) => `${base}-${i + 2}`)].find((id) => taken.every((one) => one.id !== id))!
}
const newCap = ref('')
function addCap(): void {
  const name = newCap.value.trim()
  if (name === '') return
  const { critical } = props.standard
  emit('change', { critical: [...critical, { id: idFor(name, critical), name, cap: 50 }] })
  newCap.value = ''
}
const newTool = ref('')
function addInstrument(): void {
  const name = newTool.value.trim()
  if (name === '') return
  const { instruments } = props.standard
  emit('change', { instruments: [...instruments, { id: idFor(name, instruments), name, uMm: 1, commonMm: 0.3, readings: 3 }] })
  newTool.value = ''
}
const putMaking = (i: number, say: string) =>
  emit('change', { makes: props.standard.makes.map((making, k) => (k === i ? { ...making, say } : making)) })
</script>

<template>
  <div class="grid gap-3 bg-plate px-4 py-4 sm:grid-cols-2" data-head-form>
    <label class="sm:col-span-2"
      ><span class="label">{{ t('library.name') }}</span
      ><input class="field" :value="standard.name" maxlength="100" @change="emit('change', { name: text($event) })"
    /></label>
    <NumberBox
      :label="t('library.passMark')"
      :value="standard.passMark"
      :low="1"
      :high="99"
      @put="(value) => emit('change', { passMark: value ?? 0 })"
    />
    <NumberBox
      :label="t('library.standardTimeMinutes')"
      :value="standard.standardMin"
      :low="1"
      :high="600"
      @put="(value) => emit('change', { standardMin: value ?? 0 })"
    />
    <label class="sm:col-span-2"
      ><span class="label">{{ t('library.bodyType') }}</span>
      <select class="field h-12" :value="standard.bodyType" @change="putBody(text($event))">
        <option v-for="body in bodies" :key="body.id" :value="body.id">{{ body.label }}</option>
      </select></label
    >
    <label class="sm:col-span-2"
      ><span class="label">{{ t('library.drawnShapes') }}</span>
      <select class="field h-12" :value="standard.plan.drawnAs" @change="putShapes(text($event))">
        <option v-for="coat in coatsOf(standard.bodyType)" :key="coat.id" :value="coat.id">{{ coat.title }}</option>
      </select></label
    >
    <h3 class="label mt-2 mb-0 sm:col-span-2">{{ t('library.sectionMinimumsNoSectionMay') }}</h3>
    <NumberBox
      v-for="section in standard.sections"
      :key="section.id"
      :label="section.name"
      :value="section.floor"
      :low="0"
      :high="100"
      @put="(value) => putSection(section.id, value ?? 0)"
    />
    <h3 class="label mt-2 mb-0 sm:col-span-2">{{ t('library.faultsLimitMarkWhat') }}</h3>
    <NumberBox
      v-for="fault in standard.critical"
      :key="fault.id"
      :label="fault.name"
      :value="fault.cap"
      :low="0"
      :high="99"
      @put="(value) => putCap(fault.id, value ?? 0)"
    />
    <form class="flex gap-2 sm:col-span-2" @submit.prevent="addCap">
      <input
        v-model="newCap"
        class="field"
        maxlength="100"
        :placeholder="t('library.anotherCriticalFault')"
        :aria-label="t('library.anotherCriticalFault2')"
      /><button class="btn">{{ t('library.add') }}</button>
    </form>
    <h3 class="label mt-2 mb-0 sm:col-span-2">{{ t('library.instrumentsHowExactOneReading') }}</h3>
    <template v-for="one in standard.instruments" :key="one.id">
      <NumberBox
        :label="t('library.nameGiveOrTakeMm', { name: one.name })"
        :value="Number(giveOrTake(one.uMm))"
        :low="0.01"
        :high="50"
        @put="(value) => putU(one, value ?? 0)"
      />
      <NumberBox
        :label="t('library.nameReadings', { name: one.name })"
        :value="one.readings"
        :low="1"
        :high="9"
        @put="(value) => putInstrument(one.id, { readings: Math.round(value ?? 1) })"
      />
    </template>
    <form class="flex gap-2 sm:col-span-2" @submit.prevent="addInstrument">
      <input
        v-model="newTool"
        class="field"
        maxlength="60"
        :placeholder="t('library.anotherInstrument')"
        :aria-label="t('library.anotherInstrument2')"
      /><button class="btn">
        {{ t('library.add') }}
      </button>
    </form>
    <h3 class="label mt-2 mb-0 sm:col-span-2">{{ t('library.whatDefines') }}</h3>
    <label v-for="(making, i) in standard.makes" :key="i" class="sm:col-span-2"
      ><span class="sr-only">{{ t('library.whatDefinesI', { i: i + 1 }) }}</span
      ><input class="field" :value="making.say" maxlength="200" @change="putMaking(i, text($event))"
    /></label>
    <label class="sm:col-span-2"
      ><span class="label">{{ t('library.typicalFault') }}</span
      ><input
        class="field"
        :value="standard.ownFault.name"
        maxlength="120"
        @change="emit('change', { ownFault: { ...standard.ownFault, name: text($event) } })"
    /></label>
  </div>
</template>
