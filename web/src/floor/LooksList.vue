<script setup lang="ts">
import type { FloorView, HoldView } from '@peen/contract'
import { useOutboxStore } from '../stores/outbox'
import BoldText from '../components/BoldText.vue'
import { t } from '../words'

// "Your next three looks": where to be next, each a sentence with its reason and the tap that says one is there.
defineProps<{ view: FloorView; arranging: boolean }>()
const emit = defineEmits<{ arrive: [visitId: string, hold: HoldView | null]; ranking: []; openDay: [] }>()
const outbox = useOutboxStore()
</script>

<template>
  <aside class="flex min-h-0 flex-col border-line bg-sheet max-lg:border-t lg:border-l" :aria-label="t('floor.whereGoNext')">
    <div class="pb-4 lg:min-h-0 lg:flex-1 lg:overflow-y-auto">
      <div v-if="view.tables.length > 0 && view.openedBy === null && !view.dayClosed" class="border-b border-line px-6 py-4">
        <p class="font-[650]">{{ t('floor.todayHasNotBeenOpened') }}</p>
        <button class="btn btn-go mt-2 w-full" @click="emit('openDay')">{{ t('floor.openDay') }}</button>
      </div>
      <p v-if="view.dayClosed" class="border-b border-line px-6 py-4 font-[650]" role="status">
        {{ t('floor.dayClosedAnythingTappedNow') }}
      </p>
      <div v-if="arranging" class="border-b border-line px-6 py-4 leading-[1.35]" role="status">
        <p class="font-[650]">{{ t('floor.dragEachTablePlace') }}</p>
        <p class="muted mt-1">
          {{ t('floor.orPressArrowKeysMove') }}
        </p>
      </div>
      <h2 class="title px-6 pt-3.5 pb-2.5">{{ t('floor.whereGoNext') }}</h2>
      <hr class="rule2 mx-6 mb-3" />
      <p v-if="view.looks.length === 0" class="px-6">{{ t('floor.noOneNeedsYouRight') }}</p>
      <section
        v-for="(look, i) in view.looks"
        :key="look.visitId"
        class="relative px-6 pl-16"
        :class="i > 0 ? 'mt-3 border-t border-line pt-3' : ''"
      >
        <span class="numeral absolute left-6 text-[38px]" :class="look.danger ? 'text-danger' : ''" aria-hidden="true">{{ i + 1 }}</span>
        <RouterLink
          :to="`/table/${look.visitId}`"
          class="block min-h-11 font-serif no-underline"
          :class="i === 0 ? 'text-[23px] leading-[1.22]' : 'text-[20px] leading-[1.22]'"
          ><BoldText :text="look.say"
        /></RouterLink>
        <p class="muted mt-1 leading-[1.3]">{{ look.why }}</p>
        <template v-if="look.hold">
          <p class="mt-1 font-semibold text-danger">{{ look.hold.caution }}</p>
          <RouterLink v-if="look.hold.gate" :to="`/visits/${look.visitId}/check-in`" class="btn mt-3 min-h-14 w-full text-[19px]">{{
            t('floor.checkDogTableTableNumber', { tableNumber: look.tableNumber })
          }}</RouterLink>
        </template>
        <button
          v-if="!look.hold?.gate"
          :class="[
            'btn mt-2 w-full',
            look.hold ? 'min-h-14 text-[19px]' : 'min-h-11 text-[17px]',
            i === 0 && look.danger ? 'btn-go' : look.hold ? '' : 'btn-quiet'
          ]"
          @click="emit('arrive', look.visitId, look.hold)"
        >
          {{ t('floor.iAmHereTableTableNumber', { tableNumber: look.tableNumber }) }}
        </button>
      </section>
      <p v-if="outbox.refusal" class="mx-6 mt-4" role="alert">{{ outbox.refusal }}</p>
    </div>
    <div v-if="view.tables.length > 0" class="flex gap-2 border-t border-line px-4 py-2">
      <RouterLink to="/day" class="btn btn-quiet min-h-11 flex-1 justify-center px-1 text-[16px]">{{ t('floor.day') }}</RouterLink>
      <RouterLink to="/calendar" class="btn btn-quiet min-h-11 flex-1 justify-center px-1 text-[16px]">{{
        t('floor.calendar')
      }}</RouterLink>
      <button class="btn btn-quiet min-h-11 flex-1 px-1 text-[16px]" @click="emit('ranking')">{{ t('floor.priorityOrder') }}</button>
      <slot />
    </div>
  </aside>
</template>
