<script setup lang="ts">
import type { VisitPage } from '@peen/contract'
import { FOOT_NAMES } from '@peen/core/checkin'
import { groupLines, sayLinePlace, sayTool } from '@peen/core/setup'
import { nearestOpen } from '@peen/core/day'
import { addDays, formatISO, parseISO } from 'date-fns'
import { computed, ref, watch } from 'vue'
import { sayWeeks } from '../coat/interval'
import IntervalHint from '../coat/IntervalHint.vue'
import GlyphMark from '../components/GlyphMark.vue'
import { useAsked } from '../composables/useAsked'
import { useSessionStore } from '../stores/session'
import LetterPart from './LetterPart.vue'
import { nextLetters } from './letters'
import PictureRow from './PictureRow.vue'
import { handOverFor } from './words'
import type { useVisit } from './useVisit'
import { t } from '../words'

// The end of a visit: what was used where, what next time, when back, what the owner is told, nails that are still owed.
const props = defineProps<{ page: VisitPage; visit: ReturnType<typeof useVisit> }>()
const session = useSessionStore()
const { sheet, draft, close: send, reload } = props.visit
/** what the sheet says, as the first words of the record: the instructor corrects them */
const usedBySheet = computed(() =>
  groupLines(sheet.value!.lines)
    .filter(([first]) => first.choice)
    .map((group) => `${group.map((line) => sayLinePlace(line).toLowerCase()).join(', ')}: ${sayTool(group[0])}`)
    .join('\n')
)
const { closing } = props.page
const used = ref(closing?.used ?? usedBySheet.value)
const nextTime = ref(closing?.nextTime ?? '')
const back = ref(String(closing?.backInWeeks ?? ''))
const backOn = ref(closing?.backOn ?? '')
// what the trim, this dog's growth and the brush at home say is proposed, until it is typed over
const { data: start } = useAsked('visitCoat', () => ({ id: props.page.id }))
watch(start, (given) => {
  if (!given?.interval || !props.page.begun || closing || back.value !== '') return
  back.value = String(sayWeeks(given.interval).ideal)
  proposeDay()
})
/** the open day nearest to so many weeks from this visit */
function proposeDay(): void {
  const weeks = Number(back.value)
  if (!start.value || !Number.isInteger(weeks) || weeks < 1 || weeks > 104) return
  const wanted = formatISO(addDays(parseISO(props.page.onDate), 7 * weeks), { representation: 'date' })
  const { opening, off } = start.value
  backOn.value = wanted <= session.today ? '' : (nearestOpen(wanted, session.today, opening, off) ?? wanted)
}
const nailsDone = ref(draft.value!.nailsOwed.length === 0)
const handOver = ref(closing?.handOver ?? handOverFor(props.page, draft.value!, nailsDone.value, null))
const letters = computed(() => nextLetters(props.page, handOver.value, backOn.value || null))
const wrong = ref<string | null>(null)
const said = ref(false)

function propose(): void {
  handOver.value = handOverFor(props.page, draft.value!, nailsDone.value, Number(back.value) || null)
}
async function close(): Promise<void> {
  const weeks = back.value.trim() === '' ? null : Number(back.value)
  if (weeks !== null && !(Number.isInteger(weeks) && weeks >= 1 && weeks <= 104)) {
    wrong.value = t('visit.backBackWeeksMust1', { back: back.value })
    return
  }
  wrong.value = null
  const body = {
    used: used.value,
    nextTime: nextTime.value,
    backInWeeks: weeks,
    backOn: backOn.value || null,
    handOver: handOver.value,
    nailsDone: nailsDone.value
  }
  if (await send(body)) {
    said.value = true
    await reload()
  }
}
</script>

<template>
  <main class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0" :aria-label="t('visit.closingVisit')">
    <slot />
    <form class="grid gap-x-8 gap-y-2 lg:grid-cols-2" novalidate @submit.prevent="close">
      <div>
        <label class="label" for="used">{{ t('visit.whatUsedWhere') }}</label>
        <textarea id="used" v-model="used" class="field min-h-[300px] leading-[1.4]" :disabled="!session.isStaff" maxlength="2000" />
        <h2 class="mt-4">{{ t('visit.photographsAfter') }}</h2>
        <PictureRow
          class="mt-2"
          :visit-id="page.id"
          moment="after"
          :pictures="page.pictures"
          :earlier="page.earlier"
          :has-camera="page.hasCamera"
          @changed="reload"
        />
      </div>
      <div>
        <template v-if="draft!.nailsOwed.length">
          <p class="font-semibold text-danger">
            <GlyphMark name="danger" :size="17" class="mr-1 align-[-3px]" />{{
              t('visit.nailsLeftDoNailsOwedDo', { nailsOwed: draft!.nailsOwed.map((foot) => FOOT_NAMES[foot]).join(', ') })
            }}
          </p>
          <label class="flex min-h-11 items-center gap-3"
            ><input v-model="nailsDone" type="checkbox" class="size-6 accent-(--act)" />{{ t('visit.doneNow') }}</label
          >
        </template>
        <label class="label" for="next-time">{{ t('visit.whatDoNextTime') }}</label>
        <textarea id="next-time" v-model="nextTime" class="field min-h-[88px]" :disabled="!session.isStaff" maxlength="400" />
        <label class="label mt-3" for="back">{{ t('visit.backWeeks') }}</label>
        <input id="back" v-model="back" class="field" inputmode="numeric" :disabled="!session.isStaff" @change="proposeDay" />
        <label class="label mt-3" for="back-on">{{ t('visit.backOn') }}</label>
        <input id="back-on" v-model="backOn" class="field" type="date" :disabled="!session.isStaff" />
        <IntervalHint v-if="page.begun" :visit-id="page.id" :dog-id="page.dog.id" />
        <p v-else class="muted mt-1 leading-[1.3]">{{ t('visit.nothingTrimmedYetYouWill') }}</p>
        <label class="label mt-3" for="hand-over">{{ t('visit.toldOwner') }}</label>
        <textarea id="hand-over" v-model="handOver" class="field min-h-[120px]" :disabled="!session.isStaff" maxlength="400" />
        <div v-if="session.isStaff" class="mt-2 grid gap-2 sm:grid-cols-2">
          <button type="button" class="btn btn-quiet" @click="propose">{{ t('visit.suggestAgain') }}</button>
          <button class="btn btn-go">{{ page.closing ? t('visit.saveChanges') : t('visit.closeVisit') }}</button>
        </div>
        <LetterPart v-if="session.isStaff && letters.length > 0" :letters="letters" />
        <p v-if="wrong" class="mt-2 font-semibold text-danger" role="alert">{{ wrong }}</p>
        <p v-if="said" class="mt-2 font-[650]" role="status">{{ t('visit.visitClosedSaved') }}</p>
      </div>
    </form>
  </main>
</template>
