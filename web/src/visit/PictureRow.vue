<script setup lang="ts">
import { addressOf, STANCES, type Moment, type PictureView, type Stance } from '@peen/contract'
import { ref } from 'vue'
import { ask, sentenceOf } from '../api/client'
import { usePictureStore } from '../stores/pictures'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// Photographs of one moment, stance by stance; the visit before stands beside, so that the dog is set up the same way.
const props = defineProps<{
  visitId: string
  moment: Moment
  pictures: readonly PictureView[]
  earlier: readonly PictureView[]
  /** is a table camera to be asked for a picture? */
  hasCamera: boolean
}>()
const emit = defineEmits<{ changed: [] }>()

const session = useSessionStore()
const shelf = usePictureStore()
const KEPT_HERE = t('visit.peenNotAnsweringPictureSaved')
const refused = ref<string | null>(null)
const busy = ref<Stance | null>(null)
const own = (stance: Stance) => props.pictures.find((one) => one.moment === props.moment && one.stance === stance)
/** the same stance to stand by: before the trim, or the visit before */
const guide = (stance: Stance) =>
  props.moment === 'after'
    ? props.pictures.find((one) => one.moment === 'before' && one.stance === stance)
    : props.earlier.find((one) => one.stance === stance)

async function take(stance: Stance, event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (file) await keep(stance, () => shelf.take({ visitId: props.visitId, moment: props.moment, stance, file }))
}
/** The stance that the table camera is asked for next. */
const asked = ref<Stance>('left')
const byCamera = () => keep(asked.value, () => ask('takePicture', { id: props.visitId, moment: props.moment, stance: asked.value }))
async function keep(stance: Stance, taking: () => Promise<unknown>): Promise<void> {
  busy.value = stance
  try {
    refused.value = (await taking()) ? null : KEPT_HERE
    emit('changed')
  } catch (caught) {
    refused.value = sentenceOf(caught)
  } finally {
    busy.value = null
  }
}
async function remove(id: string): Promise<void> {
  try {
    await ask('removePicture', { id })
    refused.value = null
    emit('changed')
  } catch (caught) {
    refused.value = sentenceOf(caught)
  }
}
</script>

<template>
  <div>
    <ul class="m-0 grid list-none grid-cols-3 gap-2 sm:grid-cols-6 p-0">
      <li v-for="stance in STANCES" :key="stance">
        <label class="block cursor-pointer focus-within:outline-3 focus-within:outline-ink">
          <span
            class="flex aspect-square items-center justify-center overflow-hidden border border-dashed border-hair bg-plate text-center text-[16px] leading-[1.15]"
          >
            <img
              v-if="own(stance)"
              :src="addressOf('picture', { id: own(stance)!.id })"
              :alt="`${moment}, ${stance}`"
              class="size-full object-cover"
            />
            <img
              v-else-if="guide(stance)"
              :src="addressOf('picture', { id: guide(stance)!.id })"
              :alt="t('visit.standDogLastTimeStance', { stance })"
              class="size-full object-cover opacity-40"
            />
            <span v-else class="muted">{{ busy === stance ? '…' : t('visit.add') }}</span>
          </span>
          <span class="mt-1 block text-center text-[16px]">{{ stance }}</span>
          <input
            class="sr-only"
            type="file"
            accept="image/jpeg,image/png,image/webp"
            :aria-label="t('visit.photographMomentStance', { moment, stance })"
            @change="take(stance, $event)"
          />
        </label>
        <button
          v-if="session.isStaff && own(stance)"
          class="btn btn-quiet min-h-11 w-full px-1 text-[16px]"
          :aria-label="t('visit.removePhotographMomentStance', { moment, stance })"
          @click="remove(own(stance)!.id)"
        >
          {{ t('visit.remove2') }}
        </button>
      </li>
    </ul>
    <p class="muted mt-1 leading-[1.3]">
      {{ t('visit.useSameStanceEachTime') }} <template v-if="moment === 'before'">{{ t('visit.boardBesideDog') }}</template>
    </p>
    <div v-if="hasCamera && session.isStaff" class="mt-2 flex flex-wrap items-end gap-2">
      <label class="min-w-32"
        ><span class="label">{{ t('visit.tableCameraStance') }}</span
        ><select v-model="asked" class="field min-h-11">
          <option v-for="stance in STANCES" :key="stance" :value="stance">{{ stance }}</option>
        </select></label
      >
      <button class="btn btn-quiet min-h-11" :disabled="busy !== null" @click="byCamera">
        {{ busy ? t('measure.taking') : t('measure.takeTableCamera') }}
      </button>
    </div>
    <p v-if="refused" class="mt-1 font-semibold text-danger" role="alert">{{ refused }}</p>
  </div>
</template>
