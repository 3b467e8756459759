<script setup lang="ts">
import { dateOf, placeName } from '@peen/core/coat'
import type { LateChoice, PlaceBack, SessionBack } from '@peen/core/plan'
import { computed } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import { sayDate } from '../composables/words'
import FigurePicture from '../figure/FigurePicture.vue'
import { useSessionStore } from '../stores/session'
import AgeLegend from './AgeLegend.vue'
import AimForm from './AimForm.vue'
import KeptPart from './KeptPart.vue'
import LateDrawn from './LateDrawn.vue'
import { wornOn } from './ages'
import { fewOf, namesOf, useBack } from './useBack'
import type { CoatDesk } from './useCoat'
import { t } from '../words'

// What a stripped coat needs by when, so that it stands right on the day that counts.
const props = defineProps<{ desk: CoatDesk }>()
const session = useSessionStore()
const { page, why, back, aimDay, late, nextBare, kept, rows } = useBack(props.desk)
const isDark = document.documentElement.classList.contains('dark')
const day = (at: number | null) => (at === null ? t('coat.never') : sayDate(dateOf(at), page.value.today))
const aim = computed(() => page.value.aim.aim || t('coat.theDate'))
const finding = computed(() => {
  const facts = { aim: aim.value, date: day(aimDay.value) }
  const first = late.value.map(({ place }) => place)
  if (first.length > 0) return t('coat.backLate', { ...facts, ...fewOf(first) })
  if (nextBare.value) return t('coat.backPull', { ...facts, ...fewOf(nextBare.value.places), by: day(nextBare.value.day) })
  const short = rows.value.filter(({ work }) => work === 'short')
  if (short.length > 0) return t('coat.backShort', { ...facts, ...fewOf(short.map(({ place }) => place)) })
  return t('coat.backRight', facts)
})
const WORK: Readonly<Record<SessionBack['how'], (facts: { places: string }) => string>> = {
  all: (facts) => t('coat.pullBareBoth', facts),
  half: (facts) => t('coat.pullHalfBoth', facts),
  lightRoll: (facts) => t('coat.rollBoth', facts),
  strip: (facts) => t('coat.stripBoth', facts),
  clip: (facts) => t('coat.clipBoth', facts)
}
const DOES: Readonly<Record<PlaceBack['work'], string>> = {
  roll: t('coat.keepRolling'),
  bare: t('coat.pullBare'),
  late: t('coat.tooLate'),
  short: t('coat.willBeShort'),
  never: t('coat.neverSoLong'),
  unknown: t('coat.notInBook')
}
const GLYPHS = { roll: 'meets', bare: 'meets', late: 'fails', short: 'fails', never: 'fails', unknown: 'missing' } as const
const choice = ({ how, standsMm, bare01 }: LateChoice) =>
  t('coat.lateChoice', { how, mm: Math.round(standsMm), bare: Math.round(100 * bare01) })
const dog = computed(() => ({ ...page.value.dog, colour: 'white', trim: page.value.standard.plan.drawnAs }))
const worn = computed(() => (kept.value ? wornOn(kept.value, aimDay.value!, page.value.standard.plan.lengthsMm, 'ages', isDark) : null))
const canStand = computed(() => page.value.dog.canStandMin)
</script>

<template>
  <main class="min-h-0 flex-1 overflow-y-auto p-3 sm:p-4" tabindex="0" :aria-label="t('coat.workBack')">
    <slot />
    <p v-if="why" class="finding finding-small">
      {{ why === 'noStripping' ? t('coat.noStripping') : why === 'noDay' ? t('coat.setDate') : t('coat.dateOver') }}
    </p>
    <template v-else-if="back">
      <p class="finding finding-small" data-testid="back">{{ finding }}</p>
      <KeptPart v-if="session.isStaff" :dog-id="page.dog.id" :back="back" :today="page.today" />
      <div class="mt-3 grid gap-6 lg:grid-cols-[1fr_380px]">
        <section class="min-w-0" :aria-label="t('coat.whatWhen')">
          <h2 class="title">{{ t('coat.whatWhen') }}</h2>
          <hr class="rule2 mt-1" />
          <p v-if="back.sessions.length === 0" class="mt-2">{{ t('coat.nothingToDo') }}</p>
          <ol class="m-0 list-none p-0" data-testid="sessions">
            <li
              v-for="one in back.sessions"
              :key="`${one.day} ${one.how}`"
              class="grid gap-x-4 border-b border-line py-2 sm:grid-cols-[110px_1fr]"
            >
              <b>{{ day(one.day) }}</b>
              <span class="leading-[1.35]"
                >{{ WORK[one.how]({ places: namesOf(one.places) }) }}
                <span :class="one.minutes > canStand ? 'font-[650] text-danger' : 'muted'">{{
                  t('coat.minutesOf', { minutes: one.minutes, canStand })
                }}</span></span
              >
            </li>
          </ol>
          <p v-if="back.noDay.length" class="mt-2 font-[650]">{{ t('coat.noDayLeft', { places: namesOf(back.noDay) }) }}</p>
        </section>
        <figure v-if="worn" class="m-0">
          <div class="grid grid-cols-2 gap-1 bg-plate p-1">
            <FigurePicture
              v-for="side in ['right', 'left'] as const"
              :key="side"
              :dog="dog"
              :plan="page.standard.plan.lengthsMm"
              v-bind="worn"
              :mirrored="side === 'right'"
              :width="186"
              :height="140"
              :label="t('coat.nameSSideDay', { name: page.dog.name, side, day: day(aimDay) })"
            />
          </div>
          <figcaption class="caption mt-1">{{ t('coat.ifKept', { date: day(aimDay) }) }}</figcaption>
        </figure>
      </div>
      <LateDrawn
        v-if="late.length > 0"
        :page="page"
        :model="desk.model.value!"
        :late="late"
        :aim-day="aimDay!"
        :date="day(aimDay)"
        :is-dark="isDark"
      />
      <section class="mt-6" :aria-label="t('coat.placeByPlace')">
        <h2 class="title">{{ t('coat.placeByPlace') }}</h2>
        <hr class="rule2 mt-1" />
        <table class="w-full border-collapse text-left">
          <thead>
            <tr class="border-b border-line align-bottom">
              <th class="py-2 pr-3 font-[650]">{{ t('coat.place') }}</th>
              <th class="py-2 pr-3 font-[650]">{{ t('coat.what') }}</th>
              <th class="py-2 pr-3 font-[650]">{{ t('coat.lastDay') }}</th>
              <th class="py-2 pr-3 font-[650] max-sm:hidden">{{ t('coat.wantedMm') }}</th>
              <th class="py-2 font-[650] max-sm:hidden">{{ t('coat.rolledMm') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in rows" :key="one.place" class="border-b border-line align-top" :data-place="one.place">
              <td class="py-2 pr-3">
                <GlyphMark :name="GLYPHS[one.work]" :size="17" class="mr-1.5 align-[-3px]" />{{ placeName(one.place) }}
                <span class="muted block sm:hidden">{{ t('coat.mm', { mm: one.mm }) }}</span>
              </td>
              <td class="py-2 pr-3 leading-[1.35]">
                {{ DOES[one.work] }}
                <span v-for="other in one.late" :key="other.how" :class="['block', other.how === one.best ? 'font-[650]' : 'muted']">{{
                  choice(other)
                }}</span>
              </td>
              <td class="py-2 pr-3">
                {{ day(one.lastDay) }}<span class="muted block">{{ t('coat.orBy', { date: day(one.lastDayOther) }) }}</span>
              </td>
              <td class="py-2 pr-3 max-sm:hidden">{{ t('coat.mm', { mm: one.mm }) }}</td>
              <td class="py-2 max-sm:hidden">{{ one.work === 'unknown' ? '' : t('coat.mm', { mm: Math.round(one.standsMm) }) }}</td>
            </tr>
          </tbody>
        </table>
        <details class="mt-3">
          <summary class="min-h-11 cursor-pointer py-2 font-[650]">{{ t('coat.howWorked') }}</summary>
          <p class="max-w-[72ch] leading-[1.4]">
            {{ t('coat.howWorkedSays', { weeks: page.sproutDays / 7, otherWeeks: page.sproutDays === 28 ? 6 : 4 }) }}
          </p>
        </details>
      </section>
      <p class="mt-3 leading-[1.35]">
        <GlyphMark name="danger" :size="17" class="mr-1 align-[-3px]" />{{ t('coat.holdSkinTightPullFew') }}
      </p>
      <AgeLegend :is-dark="isDark" class="mt-3" />
    </template>
    <h2 class="mt-6">{{ t('coat.whatCoatKept') }}</h2>
    <hr class="rule2 mt-1 mb-3" />
    <AimForm class="max-w-[640px]" :aim="page.aim" asks="stripped" :disabled="!session.isStaff" @keep="desk.keepAim" />
  </main>
</template>
