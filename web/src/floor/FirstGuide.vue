<script setup lang="ts">
import { computed } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import { useAsked } from '../composables/useAsked'
import { useSessionStore } from '../stores/session'
import { useSettingsStore } from '../stores/settings'
import { t } from '../words'

// The first days: five steps that make a school of an empty one, and what each role finds where. Gone once it is read.
const session = useSessionStore()
const store = useSettingsStore()
const { data } = useAsked('day', () => ({ on: 'today' }), { hears: ({ kind }) => kind === 'day', when: () => session.isStaff })

const ROLE: Readonly<Record<'lead' | 'instructor' | 'apprentice', readonly string[]>> = {
  lead: [t('floor.floorRoomTodayNextThree'), t('floor.certifyWhatEachApprenticeHas'), t('floor.trimsHouseRulesHowSchool')],
  instructor: [t('floor.floorTouchTableOpenButtons'), t('floor.endingTableGradeTrimApprentice'), t('floor.pressAnyScreenShortcutsSearch')],
  apprentice: [t('floor.floorYourDogTodaySheet'), t('floor.myRecordWhatYouHave'), t('floor.afterEachDogRateYour')]
}
const words = computed(() => ROLE[session.me?.role ?? 'apprentice'])
const steps = computed(() => {
  const day = session.isStaff ? data.value : null
  if (!day?.tables) return []
  const visit = day.visits[0]
  return [
    { say: t('floor.addYourTables'), done: day.tables.length > 0, to: '/day' },
    { say: t('floor.addYourPeople'), done: day.people.some(({ role }) => role === 'apprentice'), to: '/people' },
    { say: t('floor.addYourDogs'), done: day.dogs.length > 0, to: '/dogs' },
    { say: t('floor.planVisit'), done: day.visits.length > 0, to: '/day' },
    {
      say: t('floor.checkDogAgreeTrim'),
      done: day.visits.some(({ begun }) => begun),
      to: visit ? `/visits/${visit.id}/check-in` : '/day'
    }
  ]
})
/** a school that has begun needs no steps any more */
const isNew = computed(() => steps.value.length > 0 && steps.value.slice(0, 4).some(({ done }) => !done))
const next = computed(() => steps.value.findIndex(({ done }) => !done))
</script>

<template>
  <section v-if="!store.settings.guided" class="no-print border-b-2 border-ink bg-plate px-4 py-3 sm:px-6" :aria-label="t('floor.guide')">
    <div class="flex flex-wrap items-start gap-x-8 gap-y-2">
      <ol v-if="isNew" class="m-0 flex list-none flex-wrap gap-x-6 gap-y-1 p-0" data-testid="first-steps">
        <li v-for="(step, i) in steps" :key="step.say">
          <RouterLink
            :to="step.to"
            :class="['inline-flex min-h-11 items-center gap-2', i === next ? 'font-[650]' : '']"
            :aria-current="i === next ? 'step' : undefined"
            ><GlyphMark :name="step.done ? 'meets' : 'missing'" :size="18" />{{ i + 1 }}. {{ step.say }}</RouterLink
          >
        </li>
      </ol>
      <ul v-else class="m-0 min-w-0 flex-1 list-none p-0 leading-[1.4]">
        <li v-for="sentence in words" :key="sentence">{{ sentence }}</li>
      </ul>
      <span class="flex-1" />
      <button class="btn btn-quiet min-h-11 px-3 text-[16px]" @click="store.keep({ guided: true })">{{ t('floor.hideGuide') }}</button>
    </div>
  </section>
</template>
