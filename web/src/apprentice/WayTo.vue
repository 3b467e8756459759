<script setup lang="ts">
import type { CertificateProgress } from '@peen/contract'
import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/vue'
import { computed } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import RuleList from '../certify/RuleList.vue'
import { sayDate } from '../composables/words'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// The way to every certificate: the nearest first. One touch says why not yet.
const props = defineProps<{ certificates: readonly CertificateProgress[] }>()
defineEmits<{ draft: [certificateId: string] }>()
const session = useSessionStore()
const met = ({ rules }: CertificateProgress) => rules.filter((rule) => rule.met === 'met').length
const isHeld = (one: CertificateProgress) => one.issued && !one.ranOut
const ordered = computed(() =>
  [...props.certificates].sort(
    (a, b) => Number(isHeld(b)) - Number(isHeld(a)) || met(b) / b.rules.length - met(a) / a.rules.length || a.name.localeCompare(b.name)
  )
)
const nearest = computed(() => ordered.value.find((one) => !isHeld(one))?.certificateId ?? ordered.value[0]?.certificateId)
function sayState(one: CertificateProgress): string {
  if (one.ranOut) return t('apprentice.expiredDate', { date: sayDate(one.validUntil, session.today) })
  if (one.issued) return one.validUntil ? t('apprentice.validUntilDate', { date: sayDate(one.validUntil, session.today) }) : 'held'
  return t('apprentice.oneNMet', { one: met(one), n: one.rules.length })
}
</script>

<template>
  <section>
    <h2 class="title mt-5">{{ t('apprentice.progressEachCertificate') }}</h2>
    <hr class="rule2 mt-2.5" />
    <Disclosure
      v-for="one in ordered"
      :key="one.certificateId"
      v-slot="{ open }"
      as="div"
      class="border-b border-line"
      :default-open="one.certificateId === nearest"
      :data-certificate="one.certificateId"
    >
      <DisclosureButton class="flex min-h-12 w-full items-center gap-3 py-1 hover:bg-well">
        <GlyphMark :name="isHeld(one) || one.ready ? 'meets' : 'missing'" :size="20" />
        <b class="flex-1 leading-[1.2]">{{ one.name }}</b>
        <span class="muted">{{ sayState(one) }}</span>
        <span class="w-16 text-right whitespace-nowrap text-act">{{
          open ? t('apprentice.less') : isHeld(one) ? t('apprentice.why') : t('apprentice.whyNot')
        }}</span>
      </DisclosureButton>
      <DisclosurePanel class="pb-3">
        <p class="leading-[1.32]">{{ one.say }}</p>
        <RuleList :rules="one.rules" compact />
        <RouterLink v-if="one.findingId && !one.ranOut" :to="`/certify/${one.findingId}`" class="btn mt-3 w-full">{{
          t('apprentice.openFinding')
        }}</RouterLink>
        <button v-else-if="session.isStaff" class="btn mt-3 w-full" @click="$emit('draft', one.certificateId)">
          {{ one.ranOut ? t('apprentice.draftRenewal') : t('apprentice.draftFinding') }}
        </button>
      </DisclosurePanel>
    </Disclosure>
  </section>
</template>
