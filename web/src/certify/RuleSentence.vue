<script setup lang="ts">
import { questions } from '@peen/content'
import type { CertificateBook } from '@peen/contract'
import type { Certificate, CertificateRule } from '@peen/core/certify'
import { HELP_LEVELS } from '@peen/core/practice'
import { computed } from 'vue'
import { useSessionStore } from '../stores/session'
import InlineNumber from './InlineNumber.vue'
import NamedList from './NamedList.vue'

// One rule as the sentence that it is, its numbers and names to be changed in place.
const props = defineProps<{ certificate: Certificate; book: CertificateBook }>()
const rule = defineModel<CertificateRule>({ required: true })
const session = useSessionStore()
const techniques = computed(() => session.school?.techniques ?? [])
const certificates = computed(() =>
  props.book.certificates
    .filter((row) => row.certificate.id !== props.certificate.id)
    .map(({ certificate: { id, name } }) => ({ id, name }))
)
const criteria = computed(() => {
  const seen = new Map(
    props.certificate.standards.flatMap((id) => (props.book.criteria[id] ?? []).map((one) => [one.id, one.label] as const))
  )
  return [...seen].map(([id, name]) => ({ id, name }))
})
const HELP = {
  alone: 'alone',
  onePrompt: 'with one prompt at most',
  talkedThrough: 'talked through at most',
  handsGuided: 'with hands guided at most',
  shown: 'with any help'
} as const
const put = (part: object) => (rule.value = { ...rule.value, ...part } as CertificateRule)
const pick = (event: Event) => (event.target as HTMLSelectElement).value
</script>

<template>
  <div class="leading-[2.9]">
    <template v-if="rule.kind === 'techniques'">
      Every one of these stands competent:
      <NamedList
        :model-value="rule.techniques"
        label="techniques"
        :options="techniques"
        @update:model-value="put({ techniques: $event })"
      />.
    </template>
    <template v-else-if="rule.kind === 'practised'">
      Each of these was done
      <InlineNumber :model-value="rule.count" label="Times" @update:model-value="put({ count: $event })" />times or more,
      <select
        class="field mx-1 inline-block h-11 w-auto"
        aria-label="Clean"
        :value="rule.clean ? 'clean' : 'any'"
        @change="put({ clean: pick($event) === 'clean' })"
      >
        <option value="clean">clean</option>
        <option value="any">clean or not</option></select
      >and
      <select
        class="field mx-1 inline-block h-11 w-auto"
        aria-label="Help"
        :value="rule.mostHelp"
        @change="put({ mostHelp: pick($event) })"
      >
        <option v-for="level in [...HELP_LEVELS].reverse()" :key="level" :value="level">{{ HELP[level] }}</option></select
      >, on <InlineNumber :model-value="rule.dogs" label="Dogs" @update:model-value="put({ dogs: $event })" />dogs of
      <InlineNumber :model-value="rule.coats" label="Coats" @update:model-value="put({ coats: $event })" />coats,
      <select
        class="field mx-1 inline-block h-11 w-auto"
        aria-label="Sides"
        :value="rule.bothSides ? 'both' : 'any'"
        @change="put({ bothSides: pick($event) === 'both' })"
      >
        <option value="both">on both sides</option>
        <option value="any">on any side</option></select
      >, within the last
      <InlineNumber :model-value="rule.withinWeeks" label="Weeks" open @update:model-value="put({ withinWeeks: $event })" />weeks:
      <NamedList
        :model-value="rule.techniques"
        label="techniques"
        :options="techniques"
        @update:model-value="put({ techniques: $event })"
      />.
    </template>
    <template v-else-if="rule.kind === 'answered'">
      Each of these questions was asked and answered:
      <NamedList
        :model-value="rule.questions"
        label="questions"
        :options="questions.map(({ id, ask }) => ({ id, name: ask }))"
        @update:model-value="put({ questions: $event })"
      />
    </template>
    <template v-else-if="rule.kind === 'passedTrim'">
      A finished trim has passed, graded blind, within the last
      <InlineNumber :model-value="rule.withinDays" label="Days" @update:model-value="put({ withinDays: $event })" />days.
    </template>
    <template v-else-if="rule.kind === 'trims'">
      <InlineNumber :model-value="rule.count" label="Trims" @update:model-value="put({ count: $event })" />finished trims at
      <InlineNumber :model-value="rule.mark" label="Mark" @update:model-value="put({ mark: $event })" />or more by
      <InlineNumber :model-value="rule.assessors" label="Assessors" @update:model-value="put({ assessors: $event })" />assessors each,
      within the last <InlineNumber :model-value="rule.withinDays" label="Days" @update:model-value="put({ withinDays: $event })" />days;
      trims that the owner had changed
      <select
        class="field mx-1 inline-block h-11 w-auto"
        aria-label="Owner’s wishes"
        :value="rule.wishes ? 'yes' : 'no'"
        @change="put({ wishes: pick($event) === 'yes' })"
      >
        <option value="no">do not count</option>
        <option value="yes">count too</option></select
      >.
    </template>
    <template v-else-if="rule.kind === 'dogs'">
      The work was done on <InlineNumber :model-value="rule.dogs" label="Dogs" @update:model-value="put({ dogs: $event })" />dogs or more,
      of <InlineNumber :model-value="rule.coats" label="Coats" @update:model-value="put({ coats: $event })" />coats or more.
    </template>
    <template v-else-if="rule.kind === 'alike'">
      Left and right meet their measure on the deciding trim:
      <NamedList :model-value="rule.criteria" label="criteria" :options="criteria" @update:model-value="put({ criteria: $event })" />.
    </template>
    <template v-else-if="rule.kind === 'noSafety'">
      No safety event within the last
      <InlineNumber :model-value="rule.days" label="Days" @update:model-value="put({ days: $event })" />days.
    </template>
    <template v-else-if="rule.kind === 'noCritical'">
      No safety event in the last
      <InlineNumber :model-value="rule.attempts" label="Attempts" @update:model-value="put({ attempts: $event })" />attempts.
    </template>
    <template v-else-if="rule.kind === 'holds'">
      Holds already:
      <NamedList
        :model-value="rule.certificates"
        label="certificates"
        :options="certificates"
        @update:model-value="put({ certificates: $event })"
      />.
    </template>
    <template v-else>
      Has worked on a dog within the last
      <InlineNumber :model-value="rule.days" label="Days" @update:model-value="put({ days: $event })" />days.
    </template>
  </div>
</template>
