<script setup lang="ts">
import { RULE_KINDS, type CertificateBook } from '@peen/contract'
import { newRule, type Certificate, type CertificateRule, type RuleKind } from '@peen/core/certify'
import RuleSentence from './RuleSentence.vue'
import { t } from '../words'

// A list of rules, each a sentence: changed in place, moved, taken out, added.
defineProps<{ certificate: Certificate; book: CertificateBook; title: string; empty: string }>()
const rules = defineModel<readonly CertificateRule[]>({ required: true })
const KIND_WORDS: Readonly<Record<RuleKind, string>> = {
  techniques: t('certify.techniquesCompetent'),
  practised: t('certify.enoughPracticeEnoughDogs'),
  answered: t('certify.questionsAnswered'),
  passedTrim: t('certify.trimHasPassed'),
  trims: t('certify.trimsOrAboveMark'),
  dogs: t('certify.dogsCoats'),
  alike: t('certify.leftRightMatch'),
  noSafety: t('certify.daysWithoutSafetyEvent'),
  noCritical: t('certify.attemptsWithoutSafetyEvent'),
  holds: t('certify.certificatesHeldFirst'),
  fresh: t('certify.fresh')
}
const put = (at: number, rule: CertificateRule) => (rules.value = rules.value.map((own, i) => (i === at ? rule : own)))
function add(event: Event): void {
  const select = event.target as HTMLSelectElement
  if (select.value) rules.value = [...rules.value, newRule(select.value as RuleKind)]
  select.value = ''
}
</script>

<template>
  <section>
    <h2 class="mt-5">{{ title }}</h2>
    <p v-if="rules.length === 0" class="muted mt-1">{{ empty }}</p>
    <ol class="m-0 list-none p-0">
      <li v-for="(rule, i) in rules" :key="i" class="border-b border-line py-2" :data-rule="i">
        <div class="flex flex-wrap items-center gap-2">
          <input
            class="field h-11 max-w-80 flex-1 font-[650]"
            :value="rule.name"
            :aria-label="t('certify.nameRuleI', { i: i + 1 })"
            maxlength="120"
            @change="put(i, { ...rule, name: ($event.target as HTMLInputElement).value.trim() })"
          />
          <span class="flex-1" />
          <button class="btn btn-quiet min-h-11 px-3 py-0 text-[16px]" @click="rules = rules.filter((_, own) => own !== i)">
            {{ t('certify.remove') }}
          </button>
        </div>
        <RuleSentence :model-value="rule" :certificate="certificate" :book="book" @update:model-value="put(i, $event)" />
      </li>
    </ol>
    <label class="mt-2 flex items-center gap-3"
      ><span class="muted">{{ t('certify.addRule') }}</span>
      <select class="field h-11 w-72" @change="add">
        <option value="">{{ t('certify.choose') }}</option>
        <option v-for="kind in RULE_KINDS" :key="kind" :value="kind">{{ KIND_WORDS[kind] }}</option>
      </select></label
    >
  </section>
</template>
