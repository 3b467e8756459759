<script setup lang="ts">
import { houseRules, type HouseRule } from '@peen/content'
import { ref } from 'vue'
import { ask, sentenceOf } from '../api/client'
import GradeLimits from '../certify/GradeLimits.vue'
import CoatLimits from '../coat/CoatLimits.vue'
import { effectsOf } from './house-effects'
import ChoiceRow from '../components/ChoiceRow.vue'
import TopLine from '../components/TopLine.vue'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// Where practitioners differ, the school takes a side; both are told, and what the side changes is listed.
const session = useSessionStore()
const refused = ref<string | null>(null)
const sideOf = (id: string) => String(session.school?.houseRules[id] ?? 0)
const effects = (rule: HouseRule) => (session.school ? effectsOf(rule, Number(sideOf(rule.id)), session.school) : [])

async function choose(id: string, side: string | null): Promise<void> {
  if (side === null) return
  try {
    session.school = await ask('chooseHouseRules', { body: { rules: { [id]: Number(side) } } })
    refused.value = null
  } catch (caught) {
    refused.value = sentenceOf(caught)
  }
}
</script>

<template>
  <TopLine :what="t('library.houseRules')" />
  <main class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0" :aria-label="t('library.houseRules')">
    <h2 class="title">{{ t('library.whereGroomersDifferHowSchool') }}</h2>
    <p class="muted mt-1 max-w-[70ch]">
      {{
        t('library.everyGradingRecordsWhichRule', {
          isLead: session.isLead ? t('library.changesApplyFromNowExisting') : t('library.onlyLeadAssessorCanChange')
        })
      }}
    </p>
    <p v-if="refused" class="mt-2 font-semibold text-danger" role="alert">{{ refused }}</p>
    <hr class="rule2 mt-2" />
    <ul class="m-0 grid list-none gap-x-10 p-0 lg:grid-cols-2">
      <li v-for="rule in houseRules" :key="rule.id" class="border-b border-line pt-4" :data-rule="rule.id">
        <ChoiceRow
          v-if="session.isLead"
          :label="rule.question"
          :options="rule.sides.map((name, i) => ({ value: String(i), name }))"
          :model-value="sideOf(rule.id)"
          @update:model-value="(side) => choose(rule.id, side)"
        />
        <p v-else class="mb-4">
          <b>{{ rule.question }}:</b> {{ rule.sides[Number(sideOf(rule.id))] }}
          <span class="muted">({{ rule.sides.join(' or ') }})</span>
        </p>
        <ul class="muted mb-3 -mt-1 list-none p-0 leading-[1.35]">
          <li v-for="(why, i) in rule.because" :key="why">
            <b class="font-[650]">{{ rule.sides[i] }}:</b> {{ why }}
          </li>
        </ul>
        <p v-for="say in effects(rule)" :key="say" class="mb-3 -mt-1 leading-[1.35]">{{ say }}</p>
      </li>
    </ul>
    <h2 class="title mt-8">{{ t('library.whenTrimPasses') }}</h2>
    <hr class="rule2 mt-2 mb-2" />
    <GradeLimits :may-change="session.isLead" />
    <h2 class="title mt-8">{{ t('library.strippedCoatsWhatCountsLight') }}</h2>
    <hr class="rule2 mt-2 mb-2" />
    <CoatLimits :may-change="session.isLead" />
  </main>
</template>
