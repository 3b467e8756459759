<script setup lang="ts">
import { chartProblem, type CertificateRow } from '@peen/contract'
import { designLearningChart, designMonitoringChart, jointRisk, signalWithin, type StandingRules } from '@peen/core/competency'
import { computed, ref, watch } from 'vue'
import { ask, sentenceOf } from '../api/client'
import NumberBox from '../library/NumberBox.vue'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// The school's own risks: what they make of every chart is said before they are kept.
const props = defineProps<{ rules: StandingRules; certificates: readonly CertificateRow[] }>()
const emit = defineEmits<{ kept: [] }>()
const session = useSessionStore()
const own = ref<StandingRules>({ ...props.rules })
watch(
  () => props.rules,
  (rules) => (own.value = { ...rules })
)
const wrong = ref<string | null>(null)
const isChanged = computed(() => JSON.stringify(own.value) !== JSON.stringify(props.rules))
const problem = computed(() => chartProblem(own.value)?.say ?? null)
const percent = (share: number) => `${Math.round(1000 * share) / 10} %`
const chart = computed(() => (problem.value ? null : designLearningChart(own.value)))
const watching = computed(() => (problem.value ? null : designMonitoringChart(own.value)))
/** the most techniques that one certificate asks for */
const most = computed(() => {
  const counts = props.certificates.map(({ certificate }) => ({
    name: certificate.name,
    n: certificate.rules.reduce((sum, rule) => sum + (rule.kind === 'techniques' ? rule.techniques.length : 0), 0)
  }))
  return counts.reduce((a, b) => (b.n > a.n ? b : a), { name: '', n: 0 })
})
/** who keeps trying has more chances to be lucky: by so many attempts */
const LONGER = [60, 100, 200]
const byLuck = computed(() =>
  LONGER.map((n) => ({ n, risk: chart.value ? signalWithin(n, own.value.unacceptable, chart.value.k, chart.value.limit) : 0 }))
)
const put = (part: Partial<StandingRules>) => (own.value = { ...own.value, ...part })
async function keep(): Promise<void> {
  try {
    await ask('keepStandingRules', { body: own.value })
    wrong.value = null
    emit('kept')
  } catch (caught) {
    wrong.value = sentenceOf(caught)
  }
}
</script>

<template>
  <section data-chart-rules>
    <h2 class="title">{{ t('certify.howCertainCharts') }}</h2>
    <hr class="rule2 mt-2" />
    <p v-if="chart && watching" class="mt-2 leading-[1.4]" role="status">
      {{ t('certify.cleanAttemptAdds1Point', { k: chart.k }) }} <b>{{ chart.limit }}</b>{{
        t('certify.points100ApprenticesWhoFaulty', { unacceptable: percent(own.unacceptable) })
      }}
      <b>{{ percent(chart.falseCompetentRisk) }}</b>
      {{
        t('certify.wouldGetThereLuckWithin', {
          expectedAttempts: own.expectedAttempts,
          acceptable: percent(own.acceptable),
          power: percent(chart.power),
          limit: watching.limit,
          falseAlarmRisk: percent(watching.falseAlarmRisk)
        })
      }}
      <template v-if="most.n > 1"
        >{{ t('certify.acrossNTechniquesNameChance', { n: most.n, name: most.name }) }}
        <b>{{ percent(jointRisk(Array.from({ length: most.n }, () => chart!.falseCompetentRisk))) }}</b>.</template
      >
    </p>
    <p v-else class="mt-2" role="alert">{{ problem }}</p>
    <p v-if="chart" class="mt-1 leading-[1.4]" data-testid="by-luck">
      {{ t('certify.longerApprenticesKeepTryingMore') }}
      <template v-for="({ n, risk }, i) in byLuck" :key="n"
        >{{ i === 0 ? '' : i === byLuck.length - 1 ? t('certify.and') : ', ' }}<b>{{ percent(risk) }}</b>
        {{ t('certify.withinNAttempts', { n }) }}</template
      >{{ t('certify.ifApprenticeNeededManyLook') }}
    </p>
    <div v-if="session.isLead" class="mt-3 grid grid-cols-2 gap-3 sm:grid-cols-3">
      <NumberBox
        :label="t('certify.shareFaultyAttemptsIfCompetent')"
        :value="own.acceptable"
        :low="0.001"
        :high="0.9"
        @put="(v) => v !== null && put({ acceptable: v })"
      />
      <NumberBox
        :label="t('certify.shareFaultyAttemptsIfNot')"
        :value="own.unacceptable"
        :low="0.001"
        :high="0.9"
        @put="(v) => v !== null && put({ unacceptable: v })"
      />
      <NumberBox
        :label="t('certify.attemptsExpected')"
        :value="own.expectedAttempts"
        :low="5"
        :high="200"
        @put="(v) => v !== null && put({ expectedAttempts: Math.round(v) })"
      />
      <NumberBox
        :label="t('certify.acceptedRisk01')"
        :value="own.risk"
        :low="0.001"
        :high="0.9"
        @put="(v) => v !== null && put({ risk: v })"
      />
      <NumberBox
        :label="t('certify.daysWithoutPracticeUntilLapses')"
        :value="own.lapseDays"
        :low="7"
        :high="730"
        @put="(v) => v !== null && put({ lapseDays: Math.round(v) })"
      />
    </div>
    <p v-if="wrong" class="mt-2" role="alert">{{ wrong }}</p>
    <div v-if="session.isLead && isChanged" class="mt-3 flex gap-3">
      <button class="btn btn-go" :disabled="!!problem" @click="keep">{{ t('certify.useTheseEveryChart') }}</button>
      <button class="btn btn-quiet" @click="own = { ...rules }">{{ t('certify.discardChanges') }}</button>
    </div>
  </section>
</template>
