<script setup lang="ts">
import {
  checkLength,
  planeScale,
  SCALE_THINGS,
  type BoardKind,
  type PhotoPoint,
  type PictureSize,
  type ScaleMark,
  type Seen
} from '@peen/core/measure'
import { GIVE_OR_TAKE, sayNumber } from '@peen/core/units'
import { computed, ref } from 'vue'
import BoardPart from './BoardPart.vue'
import { byLine, END_U_PX, useLastScale, usePrintedLine } from './last-scale'
import PrintBoard from './PrintBoard.vue'
import type { BoardState } from './useBoard'
import NumberBox from '../library/NumberBox.vue'
import { t } from '../words'

// How long a millimetre is in the dog's own plane: a known length upright beside it, where it stands, how far the camera is.
const props = defineProps<{
  seen: Seen
  size: PictureSize
  scale: ScaleMark | null
  /** is there a measuring board in the picture? */
  board: BoardState
  ends: readonly PhotoPoint[]
  checking: boolean
}>()
const emit = defineEmits<{ put: [scale: ScaleMark | null]; check: [on: boolean]; again: []; ends: []; choose: [end: string]; look: [] }>()

const THINGS: Readonly<Record<(typeof SCALE_THINGS)[number], string>> = {
  ruler: t('measure.ruler'),
  comb: t('measure.combKnownLength'),
  board: t('measure.board')
}
/** How the depth of what is measured by is asked, and which way it is less than zero. */
const [behindSpine, beforeSpine] = [t('measure.behindSpineMm'), t('measure.frontSeenLessThanZero', { seen: t('measure.spine') })]
const BEHIND: Readonly<Record<Seen, string>> = {
  ...{ head: t('measure.behindEyesMm'), left: behindSpine, right: behindSpine },
  ...{ front: t('measure.behindFrontFeetMm'), rear: t('measure.behindHindFeetMm'), above: t('measure.belowRibsMm') }
}
const BEFORE: Readonly<Record<Seen, string>> = {
  ...{ head: t('measure.frontSeenLessThanZero', { seen: t('measure.eyes') }), left: beforeSpine, right: beforeSpine },
  front: t('measure.belowZeroFeet', { feet: t('measure.frontFeet') }),
  rear: t('measure.belowZeroFeet', { feet: t('measure.hindFeet') }),
  above: t('measure.aboveZeroRibs')
}
const last = useLastScale(props.seen)
const printed = usePrintedLine()
const now = computed(() => props.scale ?? { ...last.value, ends: props.ends, endUPx: END_U_PX, check: null })
function put(part: Partial<ScaleMark>): void {
  const { what, lengthMm, behindMm, behindUMm, cameraMm, upright } = { ...now.value, ...part }
  // a board that was found says nothing of what a hand would mark next time
  last.value = { ...(props.scale?.board ? last.value : { what, lengthMm, upright }), behindMm, behindUMm, cameraMm }
  if (props.scale) emit('put', { ...props.scale, ...part })
}
function putLine(kind: BoardKind, lineMm: number): void {
  printed.value = { ...printed.value, [kind]: lineMm }
  const { scale } = props
  if (scale?.board) emit('put', byLine({ ...scale, board: scale.board }, lineMm))
}
defineExpose({ now })
const plane = computed(() => {
  if (!props.scale) return null
  try {
    return planeScale(props.scale)
  } catch {
    return null
  }
})
const checked = computed(() => {
  const check = props.scale?.check
  return check && plane.value ? checkLength(plane.value, check.ends, check.lengthMm) : null
})
const checkMm = ref(50)
function putCheck(value: number | null): void {
  if (value === null) return
  checkMm.value = value
  if (props.scale?.check) emit('put', { ...props.scale, check: { ...props.scale.check, lengthMm: value } })
}
</script>

<template>
  <div data-scale>
    <BoardPart v-if="scale?.board" :seen="seen" :size="size" :scale="scale" @line="putLine" />
    <p v-else class="leading-[1.35]">
      <span v-if="board === 'looking'" class="mb-1 block" role="status">{{ t('measure.boardLooking') }}</span>
      <b v-else-if="board === 'partly' && !scale" class="mb-1 block" role="status">{{ t('measure.boardPartly') }}</b>
      <template v-if="!scale && ends.length === 0">{{ t('measure.touchTopEndRulerPicture') }}</template>
      <template v-else-if="!scale">{{ t('measure.nowTouchBottomEnd') }}</template>
      <template v-else-if="plane"
        ><b>{{ t('measure.numberPixelsPerMillimetre', { number: sayNumber(plane.pxPerMm) }) }}</b
        >{{ t('measure.accurateNumber', { number: sayNumber(100 * plane.u01) })
        }}<template v-if="Math.abs(plane.corrected01) > 0.0005">{{
          t('measure.correctedNumberDepth', { number: sayNumber(100 * plane.corrected01) })
        }}</template
        >{{ t('measure.dragEndsCorrect') }}</template
      >
    </p>
    <div class="mt-2 grid grid-cols-2 gap-x-3 gap-y-1">
      <label v-if="!scale?.board" class="col-span-2"
        ><span class="label">{{ t('measure.whatScale') }}</span>
        <select
          class="field h-12"
          :value="now.what"
          @change="put({ what: ($event.target as HTMLSelectElement).value as ScaleMark['what'] })"
        >
          <option v-for="thing in SCALE_THINGS" :key="thing" :value="thing">{{ THINGS[thing] }}</option>
        </select></label
      >
      <NumberBox
        v-if="!scale?.board"
        :label="t('measure.lengthMm')"
        :value="now.lengthMm"
        :low="1"
        :high="3000"
        @put="(value) => value !== null && put({ lengthMm: value })"
      />
      <NumberBox
        :label="t('measure.cameraDogMm')"
        :value="now.cameraMm"
        :low="300"
        :high="20000"
        @put="(value) => value !== null && put({ cameraMm: value })"
      />
      <NumberBox
        :label="BEHIND[seen]"
        :value="now.behindMm"
        :low="-500"
        :high="500"
        @put="(value) => value !== null && put({ behindMm: value })"
      />
      <NumberBox
        :label="t('measure.giveOrTakeMm')"
        :value="GIVE_OR_TAKE * now.behindUMm"
        :low="0"
        :high="500"
        @put="(value) => value !== null && put({ behindUMm: value / GIVE_OR_TAKE })"
      />
    </div>
    <p class="muted mt-1 leading-[1.3]">
      {{ BEFORE[seen] }}
    </p>
    <label v-if="!scale?.board && seen !== 'above'" class="mt-1 flex min-h-11 items-center gap-3"
      ><input
        type="checkbox"
        class="size-6 accent-(--act)"
        :checked="now.upright"
        @change="put({ upright: ($event.target as HTMLInputElement).checked })"
      />{{ t('measure.uprightUseLevelPicture') }}</label
    >
    <template v-if="scale && !scale.board">
      <div class="mt-2 flex flex-wrap items-end gap-2">
        <button
          class="btn btn-quiet min-h-11 px-3 py-1 text-[16px]"
          :aria-pressed="checking"
          :class="checking && 'bg-ink text-sheet'"
          @click="$emit('check', !checking)"
        >
          {{ scale.check ? t('measure.checkLengthDragEnds') : t('measure.checkSecondLength') }}
        </button>
        <NumberBox
          v-if="checking || scale.check"
          class="w-28"
          :label="t('measure.lengthMm')"
          :value="scale.check?.lengthMm ?? checkMm"
          :low="1"
          :high="3000"
          @put="putCheck"
        />
        <button class="btn btn-quiet min-h-11 px-3 py-1 text-[16px]" @click="$emit('again')">{{ t('measure.placeAgain') }}</button>
      </div>
      <p v-if="checked" class="mt-2 font-[650]" role="status">
        {{
          t('measure.measuresNumberMmNumber2Mm', {
            number: sayNumber(checked.measuredMm),
            number2: sayNumber(Math.abs(checked.offMm)),
            offMm: checked.offMm > 0 ? t('measure.long') : t('measure.short')
          })
        }}
      </p>
    </template>
    <button v-if="!scale" class="btn btn-quiet mt-2 min-h-11 px-3 py-1 text-[16px]" @click="$emit('ends')">
      {{ t('measure.placeBothEndsThenMove') }}
    </button>
    <div v-if="scale && !scale.board" class="mt-2 flex gap-2">
      <button class="btn btn-quiet min-h-11 flex-1 px-3 py-1 text-[16px]" @click="$emit('choose', 'end.0')">
        {{ t('measure.moveTopEnd') }}
      </button>
      <button class="btn btn-quiet min-h-11 flex-1 px-3 py-1 text-[16px]" @click="$emit('choose', 'end.1')">
        {{ t('measure.moveBottomEnd') }}
      </button>
    </div>
    <p v-if="!scale" class="muted mt-3 leading-[1.3]">{{ t('measure.withoutScaleOnlyRatiosAngles') }}</p>
    <button v-if="scale?.board" class="btn btn-quiet mt-3 min-h-11 px-3 py-1 text-[16px]" @click="$emit('again')">
      {{ t('measure.boardByHand') }}
    </button>
    <template v-else>
      <button v-if="board === 'unasked'" class="btn btn-quiet mt-2 min-h-11 px-3 py-1 text-[16px]" @click="$emit('look')">
        {{ t('measure.boardLook') }}
      </button>
      <PrintBoard class="mt-3" />
    </template>
  </div>
</template>
