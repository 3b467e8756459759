<script setup lang="ts">
import { LOCKS_AFTER_MIN, type TabletRow } from '@peen/contract'
import { computed, ref, watch } from 'vue'
import { ask, sentenceOf } from '../api/client'
import AskOnce from '../components/AskOnce.vue'
import { useAsked } from '../composables/useAsked'
import { sayDate } from '../composables/words'
import { useSessionStore } from '../stores/session'
import { useTabletStore } from '../stores/tablet'
import { t } from '../words'

// Tablets that people share: which are enrolled, at which table, and enrolling the one in the hand.
const session = useSessionStore()
const tablet = useTabletStore()
const { data } = useAsked('tablets')
const refused = ref<string | null>(null)
const said = ref<string | null>(null)
const name = ref('')
const tableId = ref('')
const minutes = ref(String(LOCKS_AFTER_MIN.usual))
const ending = ref<TabletRow | null>(null)
// what it is called and where it belongs now is where a change begins
watch(data, (view) => {
  const own = view?.thisOne
  if (!own) return
  name.value ||= own.name
  tableId.value ||= view.tables.find(({ number }) => number === own.tableNumber)?.id ?? ''
  minutes.value = String(own.locksAfterMin)
})
const enrols = computed(() => (data.value?.thisOne ? t('day.changeTablet') : t('day.enrolTablet')))
const where = ({ tableNumber }: TabletRow) => (tableNumber === null ? t('day.wholeRoom') : t('day.tableTableNumber', { tableNumber }))

async function act(work: () => Promise<typeof data.value>, words: string): Promise<void> {
  try {
    data.value = await work()
    refused.value = null
    said.value = words
    await tablet.look()
  } catch (caught) {
    said.value = null
    refused.value = sentenceOf(caught)
  }
}
const enrol = () =>
  act(
    () => ask('enrolTablet', { body: { name: name.value, tableId: tableId.value || null, locksAfterMin: Number(minutes.value) } }),
    t('day.tabletEnrolledAnyonePinCan')
  )
const end = (one: TabletRow) => act(() => ask('revokeTablet', { tablet: one.id }), t('day.nameNoLongerEnrolled', { name: one.name }))
</script>

<template>
  <h2 class="title mt-8">{{ t('day.sharedTablets') }}</h2>
  <hr class="rule2 mt-2 mb-3" />
  <p class="muted max-w-[720px] leading-[1.35]">
    {{ t('day.enrolledTabletOpensNamePin') }}
  </p>
  <p v-if="said" class="mt-2 font-[650]" role="status">{{ said }}</p>
  <p v-if="refused" class="mt-2 font-semibold" role="alert">{{ refused }}</p>
  <ul v-if="data" class="row-rule m-0 list-none p-0" data-testid="tablets">
    <li v-for="one in data.tablets" :key="one.id" class="flex min-h-14 flex-wrap items-center gap-x-4 gap-y-1 py-1">
      <span class="min-w-[220px] flex-1"
        ><b>{{ one.name }}</b
        ><span class="muted ml-2">{{ t('day.oneLocksAfterLocksAfterMinMin', { one: where(one), locksAfterMin: one.locksAfterMin }) }}</span
        ><span class="muted block">{{
          t('day.isThisEnrolledEnrolledByDate', {
            isThis: one.isThis ? t('day.tablet') : '',
            enrolledBy: one.enrolledBy,
            date: sayDate(one.enrolledAt, session.school?.now)
          })
        }}</span></span
      >
      <button v-if="session.isLead" class="btn btn-quiet min-h-11 px-3 text-[16px]" @click="ending = one">
        {{ t('day.endEnrolment') }}<span class="sr-only"> {{ t('day.name2', { name: one.name }) }}</span>
      </button>
    </li>
    <li v-if="data.tablets.length === 0" class="py-2">{{ t('day.noTabletsEnrolledYet') }}</li>
  </ul>
  <form v-if="session.isLead && data" class="mt-3 flex flex-wrap items-end gap-2" data-testid="enrol" @submit.prevent="enrol">
    <label
      ><span class="muted block">{{ t('day.nameTablet') }}</span
      ><input v-model="name" class="field w-[220px]" required maxlength="40"
    /></label>
    <label
      ><span class="muted block">{{ t('day.belongs') }}</span
      ><select v-model="tableId" class="field w-[180px]">
        <option value="">{{ t('day.wholeRoom') }}</option>
        <option v-for="one in data.tables" :key="one.id" :value="one.id">{{ t('day.tableNumber2', { number: one.number }) }}</option>
      </select></label
    >
    <label
      ><span class="muted block">{{ t('day.locksAfterMin') }}</span
      ><input
        v-model="minutes"
        class="field w-[140px]"
        type="number"
        inputmode="numeric"
        required
        :min="LOCKS_AFTER_MIN.least"
        :max="LOCKS_AFTER_MIN.most"
    /></label>
    <button class="btn">{{ enrols }}</button>
  </form>
  <AskOnce
    :open="ending !== null"
    :title="t('day.endEnrolmentName', { name: ending?.name ?? '' })"
    :says="[t('day.pINsNoLongerOpenAnyone'), t('day.everythingRecordedStays')]"
    :action="t('day.endEnrolment')"
    :working="t('day.ending')"
    :run="() => end(ending!)"
    @close="ending = null"
  />
</template>
