<script setup lang="ts">
import { questions } from '@peen/content'
import type { CertificateBook } from '@peen/contract'
import type { Certificate, CertificateRule } from '@peen/core/certify'
import { HELP_LEVELS } from '@peen/core/practice'
import { computed } from 'vue'
import { useSessionStore } from '../stores/session'
import InlineNumber from './InlineNumber.vue'
import NamedList from './NamedList.vue'
import { t } from '../words'

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
  alone: t('certify.alone'),
  onePrompt: t('certify.onePromptMost'),
  talkedThrough: t('certify.talkedThroughMost'),
  handsGuided: t('certify.handsGuidedMost'),
  shown: t('certify.anyHelp')
} as const
const put = (part: object) => (rule.value = { ...rule.value, ...part } as CertificateRule)
const pick = (event: Event) => (event.target as HTMLSelectElement).value
</script>

<template>
  <div class="leading-[2.9]">
    <template v-if="rule.kind === 'techniques'">
      {{ t('certify.allTheseCompetent') }}
      <NamedList
        :model-value="rule.techniques"
        :label="t('certify.techniques')"
        :options="techniques"
        @update:model-value="put({ techniques: $event })"
      />.
    </template>
    <template v-else-if="rule.kind === 'practised'">
      {{ t('certify.eachTheseDone') }}
      <InlineNumber :model-value="rule.count" :label="t('certify.times')" @update:model-value="put({ count: $event })" />{{
        t('certify.timesOrMore')
      }}
      <select
        class="field mx-1 inline-block h-11 w-auto"
        :aria-label="t('certify.clean')"
        :value="rule.clean ? 'clean' : 'any'"
        @change="put({ clean: pick($event) === 'clean' })"
      >
        <option value="clean">{{ t('certify.clean2') }}</option>
        <option value="any">{{ t('certify.cleanOrNot') }}</option></select
      >{{ t('certify.and2') }}
      <select
        class="field mx-1 inline-block h-11 w-auto"
        :aria-label="t('certify.help')"
        :value="rule.mostHelp"
        @change="put({ mostHelp: pick($event) })"
      >
        <option v-for="level in [...HELP_LEVELS].reverse()" :key="level" :value="level">{{ HELP[level] }}</option></select
      >{{ t('certify.on') }}
      <InlineNumber :model-value="rule.dogs" :label="t('certify.dogs2')" @update:model-value="put({ dogs: $event })" />{{
        t('certify.dogs')
      }}
      <InlineNumber :model-value="rule.coats" :label="t('certify.coats2')" @update:model-value="put({ coats: $event })" />{{
        t('certify.coats')
      }}
      <select
        class="field mx-1 inline-block h-11 w-auto"
        :aria-label="t('certify.sides')"
        :value="rule.bothSides ? 'both' : 'any'"
        @change="put({ bothSides: pick($event) === 'both' })"
      >
        <option value="both">{{ t('certify.bothSides') }}</option>
        <option value="any">{{ t('certify.eitherSide') }}</option></select
      >{{ t('certify.withinLast') }}
      <InlineNumber
        :model-value="rule.withinWeeks"
        :label="t('certify.weeks2')"
        open
        @update:model-value="put({ withinWeeks: $event })"
      />{{ t('certify.weeks') }}
      <NamedList
        :model-value="rule.techniques"
        :label="t('certify.techniques')"
        :options="techniques"
        @update:model-value="put({ techniques: $event })"
      />.
    </template>
    <template v-else-if="rule.kind === 'answered'">
      {{ t('certify.eachTheseQuestionsAskedAnswered') }}
      <NamedList
        :model-value="rule.questions"
        :label="t('certify.questions')"
        :options="questions.map(({ id, ask }) => ({ id, name: ask }))"
        @update:model-value="put({ questions: $event })"
      />
    </template>
    <template v-else-if="rule.kind === 'passedTrim'">
      {{ t('certify.finishedTrimHasPassedGraded') }}
      <InlineNumber :model-value="rule.withinDays" :label="t('certify.days2')" @update:model-value="put({ withinDays: $event })" />{{
        t('certify.days')
      }}
    </template>
    <template v-else-if="rule.kind === 'trims'">
      <InlineNumber :model-value="rule.count" :label="t('certify.trims2')" @update:model-value="put({ count: $event })" />{{
        t('certify.finishedTrims')
      }}
      <InlineNumber :model-value="rule.mark" :label="t('certify.mark')" @update:model-value="put({ mark: $event })" />{{
        t('certify.orMore')
      }}
      <InlineNumber :model-value="rule.assessors" :label="t('certify.assessors')" @update:model-value="put({ assessors: $event })" />{{
        t('certify.assessorsEachWithinLast')
      }}
      <InlineNumber :model-value="rule.withinDays" :label="t('certify.days2')" @update:model-value="put({ withinDays: $event })" />{{
        t('certify.daysTrimsChangedOwner')
      }}
      <select
        class="field mx-1 inline-block h-11 w-auto"
        :aria-label="t('certify.ownersWishes')"
        :value="rule.wishes ? 'yes' : 'no'"
        @change="put({ wishes: pick($event) === 'yes' })"
      >
        <option value="no">{{ t('certify.doNotCount') }}</option>
        <option value="yes">{{ t('certify.countToo') }}</option></select
      >.
    </template>
    <template v-else-if="rule.kind === 'dogs'">
      {{ t('certify.workDone') }}
      <InlineNumber :model-value="rule.dogs" :label="t('certify.dogs2')" @update:model-value="put({ dogs: $event })" />{{
        t('certify.dogsOrMore')
      }}
      <InlineNumber :model-value="rule.coats" :label="t('certify.coats2')" @update:model-value="put({ coats: $event })" />{{
        t('certify.coatsOrMore')
      }}
    </template>
    <template v-else-if="rule.kind === 'alike'">
      {{ t('certify.leftRightMeetTheirMeasure') }}
      <NamedList
        :model-value="rule.criteria"
        :label="t('certify.criteria')"
        :options="criteria"
        @update:model-value="put({ criteria: $event })"
      />.
    </template>
    <template v-else-if="rule.kind === 'noSafety'">
      {{ t('certify.noSafetyEventLast') }}
      <InlineNumber :model-value="rule.days" :label="t('certify.days2')" @update:model-value="put({ days: $event })" />{{
        t('certify.days')
      }}
    </template>
    <template v-else-if="rule.kind === 'noCritical'">
      {{ t('certify.noSafetyEventLast') }}
      <InlineNumber :model-value="rule.attempts" :label="t('certify.confirmAttempts')" @update:model-value="put({ attempts: $event })" />{{
        t('certify.attempts')
      }}
    </template>
    <template v-else-if="rule.kind === 'holds'">
      {{ t('certify.alreadyHolds') }}
      <NamedList
        :model-value="rule.certificates"
        :label="t('certify.certificates2')"
        :options="certificates"
        @update:model-value="put({ certificates: $event })"
      />.
    </template>
    <template v-else>
      {{ t('certify.hasWorkedDogWithinLast') }}
      <InlineNumber :model-value="rule.days" :label="t('certify.days2')" @update:model-value="put({ days: $event })" />{{
        t('certify.days')
      }}
    </template>
  </div>
</template>
