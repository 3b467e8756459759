<script setup lang="ts">
import { ROLE_NAMES } from '@peen/contract'
import { computed, ref } from 'vue'
import { ask, sentenceOf } from '../api/client'
import AskOnce from '../components/AskOnce.vue'
import GlyphMark from '../components/GlyphMark.vue'
import CertificateFiles from './CertificateFiles.vue'
import RevokeSheet from './RevokeSheet.vue'
import ReasonSheet from '../components/ReasonSheet.vue'
import RuleList from './RuleList.vue'
import SheetDialog from '../components/SheetDialog.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useKeys } from '../composables/useKeys'
import { useAsked } from '../composables/useAsked'
import { sayDate, sayMoment } from '../composables/words'
import DogPlate from '../figure/DogPlate.vue'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

const props = defineProps<{ id: string }>()
const session = useSessionStore()
const { data, error, loading, reload } = useAsked('finding', () => ({ id: props.id }), { fresh: true })
const problem = ref<string | null>(null)
const declines = ref(false)
const revokes = ref(false)
/** the mark set aside in spite of which the certificate is kept */
const keeps = ref<string | null>(null)
const reason = ref('')

const me = computed(() => data.value?.people.find((person) => person.id === session.me?.id) ?? null)
const others = computed(() => data.value?.people.filter((person) => person.id !== session.me?.id) ?? [])
const met = computed(() => data.value?.rules.filter((rule) => rule.met === 'met').length ?? 0)
const heading = computed(() => {
  const rules = data.value?.rules.length ?? 0
  const unsure = data.value?.rules.filter((rule) => rule.met === 'cannotTell').length ?? 0
  const missing = rules - met.value - unsure
  if (met.value === rules) return rules === 1 ? t('certify.n1RuleMet') : t('certify.rulesRulesAllMet', { rules })
  return `${rules} ${rules === 1 ? 'rule' : 'rules'}: ${[t('certify.metMet', { met: met.value }), ...(missing ? [t('certify.missingNotMet', { missing })] : []), ...(unsure ? [t('certify.unsureNotKnownYet', { unsure })] : [])].join(', ')}`
})
const whenMet = computed(() =>
  data.value?.rules.length === 1 ? t('certify.onceRuleMet') : t('certify.onceAllNMet', { n: data.value?.rules.length })
)
async function act(work: () => Promise<unknown>): Promise<void> {
  try {
    await work()
    problem.value = null
    declines.value = false
    await reload()
  } catch (caught) {
    problem.value = sentenceOf(caught)
  }
}
const print = () => window.print()
const zone = computed(() => session.school?.timeZone ?? 'UTC')
/** a signature is asked for once, with what follows from it */
const asks = ref(false)
const isSecond = computed(() => (data.value?.signatures.length ?? 0) === 1)
useKeys([{ key: 's', label: t('certify.sign'), run: () => void (me.value?.may.may && (asks.value = true)) }])
</script>

<template>
  <TopLine
    :what="data ? t('certify.findingNumberDraftedDraftedBy', { number: data.number, draftedBy: data.draftedBy }) : t('certify.finding')"
  />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <div v-else class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_420px] lg:overflow-hidden print:block print:overflow-visible">
    <main class="min-w-0 p-4 sm:px-6 sm:pt-4 lg:overflow-y-auto" tabindex="0" :aria-label="t('certify.finding2')">
      <p class="caption muted">{{ t('certify.claim') }}</p>
      <p class="finding mt-1.5 max-sm:text-[23px]">
        <b>{{ data.apprentice.givenName }} {{ data.apprentice.familyName }}</b> {{ data.certificate.claim }}.
      </p>
      <div class="mt-3.5 flex flex-wrap items-baseline justify-between gap-x-6">
        <h2 class="title">{{ heading }}</h2>
        <span class="muted">{{
          t('certify.rulesIdVersionVersionRenews', {
            id: data.certificate.id,
            version: data.certificate.version,
            renews: data.renews ? 'yes' : 'no',
            validUntil: data.validUntil
              ? t('certify.validUntilDateValidUntil', { date: sayDate(data.validUntil), validUntil: data.validUntil.slice(0, 4) })
              : t('certify.noEndDate')
          })
        }}</span>
      </div>
      <hr class="rule2 mt-2" />
      <RuleList :rules="data.rules" />
      <p class="mt-3.5 border-t border-line pt-3.5 leading-[1.35]">
        <b>{{ data.say }}</b>
      </p>
      <p v-if="data.declined" class="mt-2 leading-[1.35]">
        {{ t('certify.declinedReason', { by: data.declined.by, reason: data.declined.reason }) }}
      </p>
      <section v-if="data.undecided.length > 0" class="mt-3 border-2 border-danger p-4" data-testid="undecided">
        <p class="flex gap-2 text-[18px] font-[650]"><GlyphMark name="danger" class="mt-0.5" />{{ t('certify.decideAgain') }}</p>
        <p v-for="one in data.undecided" :key="one.gradingId" class="mt-2 flex flex-wrap items-center gap-x-4 leading-[1.35]">
          <RouterLink :to="`/trims/${one.gradingId}`" class="min-h-11 flex-1 content-center">{{
            t('certify.setAsideTrim', { dog: one.dog, date: sayDate(one.onDate), reason: one.reason })
          }}</RouterLink>
          <button v-if="session.isLead" class="btn btn-quiet" @click="keeps = one.gradingId">{{ t('certify.keepIt') }}</button>
        </p>
        <ReasonSheet
          v-if="keeps"
          :open="true"
          :title="t('certify.keepTitle')"
          :says="t('certify.keepSays')"
          :label="t('certify.keepWhy')"
          :action="t('certify.keep')"
          :working="t('certify.keeping')"
          :run="(reason) => ask('keepCertificate', { id, body: { gradingId: keeps!, reason } })"
          @close="keeps = null"
          @done="act(async () => void (keeps = null))"
        />
      </section>
      <p v-if="data.revoked" class="mt-2 leading-[1.35]" data-testid="revoked">
        {{ t('certify.revokedBySays', { by: data.revoked.by, date: sayMoment(data.revoked.at, zone), reason: data.revoked.reason }) }}
      </p>
      <p v-if="data.auditHash" class="muted mt-2 leading-[1.35] break-all">
        {{ t('certify.auditTrailDecisionAuditHash', { auditHash: data.auditHash }) }}
      </p>
      <p class="muted mt-3 leading-[1.35]">
        {{ t('certify.coversPracticeSchoolOnlyDoes') }}
      </p>
    </main>
    <aside class="border-line bg-sheet px-6 pt-4 pb-6 max-lg:border-t lg:overflow-y-auto lg:border-l" tabindex="0">
      <DogPlate
        v-if="data.deciding"
        :dog="{ ...data.deciding.dog, trim: data.deciding.plan.drawnAs }"
        :plan="data.deciding.plan.lengthsMm"
        :lengths="data.deciding.plan.lengthsMm"
        :height="236"
        :caption="
          t('certify.nameDateMinutesMin', {
            name: data.deciding.dog.name,
            date: sayDate(data.deciding.onDate),
            minutes: data.deciding.minutes
          })
        "
        :label="t('certify.decidingTrimName', { name: data.deciding.dog.name })"
      />
      <p v-else class="muted border-[1.5px] border-dashed border-hair p-4">{{ t('certify.noDecidingTrimYetNo') }}</p>
      <RouterLink v-if="data.deciding" :to="`/trims/${data.deciding.gradingId}`" class="btn btn-quiet no-print mt-2 w-full">{{
        t('certify.readDecidingTrim')
      }}</RouterLink>
      <CertificateFiles v-if="data.status === 'issued'" :id="id" :number="data.number" />
      <h2 class="title mt-5">{{ t('certify.twoPeopleSign') }}</h2>
      <hr class="rule2 mt-2" />
      <div v-for="signature in data.signatures" :key="signature.personId" class="border-b border-line py-3 leading-[1.3]">
        <p class="font-serif text-[26px] leading-none italic">{{ signature.name }}</p>
        <p class="mt-1.5">
          <b>{{ signature.name }}, {{ ROLE_NAMES[signature.role] }}</b
          >, {{ session.school ? sayMoment(signature.signedAt, session.school.timeZone) : '' }}
        </p>
        <p class="muted">{{ signature.note }}</p>
      </div>
      <template v-if="data.status === 'drafted' && session.isStaff">
        <button v-if="me?.may.may" class="btn btn-go no-print mt-3 w-full" @click="asks = true">
          {{ t('certify.signName', { name: me.name }) }}
        </button>
        <p v-else-if="me" class="btn btn-not-yet no-print mt-3 w-full">
          {{ data.ready ? t('certify.nameCannotSign', { name: me.name }) : t('certify.signNameWhenMet', { name: me.name, whenMet }) }}
        </p>
        <p v-if="me && me.may.may" class="muted mt-1.5 leading-[1.3]">{{ t('certify.noteHasNeverWorkedDog', { note: me.may.note }) }}</p>
        <p v-else-if="me && data.ready && !me.may.may" class="mt-1.5 leading-[1.3]">{{ me.may.because }}</p>
        <p v-if="data.missing" class="mt-2 leading-[1.3]">
          <b>{{ data.missing }}</b>
        </p>
        <ul v-if="data.ready" class="m-0 mt-2 list-none p-0">
          <li v-for="person in others" :key="person.id" class="flex gap-2.5 py-1 leading-[1.3]">
            <GlyphMark :name="person.may.may ? 'meets' : 'fails'" :size="18" class="mt-0.5" /><span v-if="person.may.may">{{
              t('certify.nameRoleMaySignNote', { name: person.name, role: ROLE_NAMES[person.role], note: person.may.note })
            }}</span
            ><span v-else>{{ person.may.because }}</span>
          </li>
        </ul>
        <button v-if="session.isLead" class="btn btn-quiet no-print mt-3 w-full" @click="declines = true">
          {{ t('certify.reasonDeclining') }}
        </button>
      </template>
      <template v-if="data.status === 'issued'">
        <button class="btn btn-quiet no-print mt-3 w-full" @click="print">{{ t('certify.printFinding') }}</button>
        <button v-if="session.isLead" class="btn btn-quiet no-print mt-4 w-full" @click="revokes = true">
          {{ t('certify.revokeCertificate') }}
        </button>
        <RevokeSheet :id="id" :open="revokes" @close="revokes = false" @done="act(async () => void (revokes = false))" />
      </template>
      <p v-if="problem && !declines" class="mt-3 flex gap-2" role="alert">
        <GlyphMark name="fails" :size="18" class="mt-0.5" />{{ problem }}
      </p>
    </aside>
    <AskOnce
      :open="asks"
      :title="t('certify.signFinding')"
      :says="[
        `${data.apprentice.givenName} ${data.apprentice.familyName} ${data.certificate.claim}.`,
        isSecond ? t('certify.yoursSecondSignatureCertificateIssued') : t('certify.yoursFirstSignatureCertificateIssued'),
        t('certify.signatureCannotWithdrawn')
      ]"
      :action="t('certify.sign')"
      :working="t('certify.signing')"
      :run="() => act(() => ask('signFinding', { id }))"
      @close="asks = false"
    />
    <SheetDialog :open="declines" :title="t('certify.declineFinding')" @close="declines = false">
      <form @submit.prevent="act(() => ask('declineFinding', { id, body: { reason } }))">
        <label class="label" for="why">{{ t('certify.why') }}</label>
        <textarea id="why" v-model="reason" class="field" rows="3" maxlength="500" />
        <p v-if="problem" class="mt-2" role="alert">{{ problem }}</p>
        <button class="btn mt-3 w-full">{{ t('certify.decline') }}</button>
      </form>
    </SheetDialog>
  </div>
</template>
