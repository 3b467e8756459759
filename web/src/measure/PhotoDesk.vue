<script setup lang="ts">
import { addressOf } from '@peen/contract'
import type { GradingView, PictureMarks, PictureView } from '@peen/contract'
import type { LineId, PhotoPlace, PhotoPoint, ScaleMark, SkinReading } from '@peen/core/measure'
import { computed, ref, watch } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import { useKeys } from '../composables/useKeys'
import { stepsOf, type StepId } from './desk-steps'
import type { Handle } from './drawing'
import FoundPart from './FoundPart.vue'
import OutlinePart from './OutlinePart.vue'
import type { OutlineTool } from './outline-tools'
import PhotoCanvas from './PhotoCanvas.vue'
import PhotoExplained from './PhotoExplained.vue'
import PlacesPart from './PlacesPart.vue'
import ScalePart from './ScalePart.vue'
import { usePhoto } from './usePhoto'
import { useShapes } from './useShapes'
import type { Moment } from './useBeforeAfter'
import type { Compared } from './useOtherSide'
import { t } from '../words'

// One photograph from its scale to what it says, in four steps; the picture stays in the middle.
const props = defineProps<{
  own: PictureMarks
  grading: GradingView
  picture: PictureView
  before: PictureView | null
  /** own marks of pictures that a newer one has replaced */
  earlier: readonly PictureMarks[]
  /** was this picture taken before the trim, or after it? */
  moment: Moment
  /** the other side's profile of this trim */
  other: Compared | null
  /** the picture of the other moment from the same side, as it was measured */
  otherMoment: Compared | null
  skin: readonly SkinReading[]
}>()
const photo = usePhoto(props.own, props.moment, props.grading.dog, props.grading.standard, {
  ...{ earlier: props.earlier, profile: () => props.other, otherMoment: () => props.otherMoment }
})
defineExpose({ photo })

const STEPS = stepsOf(props.moment)
const step = ref<StepId>(props.own.marks?.scale ? 'found' : 'scale')
const outlineTool = ref<OutlineTool>('look')
/** the first of the two places that say where the dog is */
const shapeStart = ref<PhotoPoint | null>(null)
watch(outlineTool, () => (shapeStart.value = null))
const brush = ref<'fine' | 'middle' | 'broad'>('middle')
const BRUSH_PX = { fine: 6, middle: 16, broad: 40 }
const place = ref<PhotoPlace | null>(null)
const line = ref<LineId | null>(null)
const ends = ref<PhotoPoint[]>([])
const checking = ref(false)
const checkEnds = ref<PhotoPoint[]>([])
const said = ref<string | null>(null)
const explained = ref(false)
watch(step, () => {
  ;[place.value, line.value, checking.value] = [null, null, false]
  outlineTool.value = 'look'
})

const marks = computed(() => photo.marks.value)
const tool = computed<'pan' | 'tap' | 'brush'>(() => {
  if (step.value === 'scale') return !marks.value.scale || checking.value ? 'tap' : 'pan'
  if (step.value === 'outline')
    return outlineTool.value === 'look' ? 'pan' : outlineTool.value === 'dog' || outlineTool.value === 'wall' ? 'brush' : 'tap'
  return step.value === 'places' && (line.value || place.value) ? 'tap' : 'pan'
})
const brushPx = computed(() => (BRUSH_PX[brush.value] * (photo.size.value?.width ?? 1600)) / 1600)

const handles = computed<Handle[]>(() => {
  const { scale, places, lines } = marks.value
  if (step.value === 'scale') {
    const own = scale ? scale.ends : ends.value
    const check = scale?.check?.ends ?? checkEnds.value
    return [
      ...(scale?.board ? [] : own.map((at, i) => ({ id: `end.${i}`, at, touched: true }))),
      ...(checking.value || scale?.check ? check.map((at, i) => ({ id: `check.${i}`, at, touched: true })) : [])
    ]
  }
  if (step.value === 'outline' && shapeStart.value) return [{ id: 'shape.0', at: shapeStart.value, touched: true }]
  if (step.value !== 'places') return []
  const points = line.value ? (lines[line.value] ?? []).map((at, i) => ({ id: `${line.value}.${i}`, at, touched: true })) : []
  return line.value ? points : photo.places.flatMap((id) => (places[id] ? [{ id, at: places[id].at, touched: places[id].touched }] : []))
})
const shapes = useShapes(photo, step, said)

function tap(at: PhotoPoint): void {
  if (step.value === 'scale') return tapEnd(at)
  if (step.value === 'outline' && outlineTool.value === 'shape') return tapShape(at)
  if (step.value === 'outline' && outlineTool.value === 'anchor')
    return photo.correct({ anchors: [...marks.value.corrections.anchors, at] })
  if (step.value === 'outline' && outlineTool.value === 'backdrop') {
    const half = 12
    return photo.correct({
      backdrop: [...marks.value.corrections.backdrop, { x: at[0] - half, y: at[1] - half, width: 2 * half, height: 2 * half }]
    })
  }
  if (step.value === 'places' && line.value) photo.setLine(line.value, [...(marks.value.lines[line.value] ?? []), at])
  else if (step.value === 'places' && place.value) photo.movePlace(place.value, at)
}
function tapShape(at: PhotoPoint): void {
  if (!shapeStart.value) return void (shapeStart.value = at)
  void photo.fitShape([shapeStart.value, at])
  outlineTool.value = 'look'
}
const scalePart = ref<{ now: ScaleMark } | null>(null)
function tapEnd(at: PhotoPoint): void {
  if (checking.value && marks.value.scale) {
    checkEnds.value = [...checkEnds.value, at].slice(-2)
    const [a, b] = checkEnds.value
    if (a && b) photo.setScale({ ...marks.value.scale, check: { ends: [a, b], lengthMm: 50 } })
    return
  }
  ends.value = [...ends.value, at]
  const [a, b] = ends.value
  if (!a || !b) return
  ends.value = []
  photo.setScale({ ...scalePart.value!.now, ends: [a, b] })
  if (photo.problem.value) return
  step.value = 'outline'
}
async function lookForBoard(): Promise<void> {
  if (await photo.lookForBoard()) await photo.findOutline()
}
function move(id: string, at: PhotoPoint): void {
  const [what, index] = id.split('.')
  const i = Number(index)
  const { scale, lines } = marks.value
  const swap = (two: readonly [PhotoPoint, PhotoPoint]): readonly [PhotoPoint, PhotoPoint] => (i === 0 ? [at, two[1]] : [two[0], at])
  if (what === 'end' && scale) photo.setScale({ ...scale, ends: swap(scale.ends) })
  else if (what === 'shape') shapeStart.value = at
  else if (what === 'end') ends.value = ends.value.map((own, k) => (k === i ? at : own))
  else if (what === 'check' && scale?.check) photo.setScale({ ...scale, check: { ...scale.check, ends: swap(scale.check.ends) } })
  else if (index !== undefined && line.value)
    photo.setLine(
      line.value,
      (lines[line.value] ?? []).map((own, k) => (k === i ? at : own))
    )
  else photo.movePlace(id as PhotoPlace, at)
}
/** the handle that arrow keys move: an end of the scale, a place, a point of a line */
const chosen = ref<string | null>(null)
function select(id: string): void {
  chosen.value = id
  if (step.value === 'places' && !id.includes('.')) place.value = id as PhotoPlace
}
watch(place, (id) => (chosen.value = id))
/** Without a pointer: both ends are put beside the dog, or a point of a line in the middle, to be moved by arrow keys. */
function putEnds(): void {
  const { width, height } = photo.size.value!
  photo.setScale({
    ...scalePart.value!.now,
    ends: [
      [0.9 * width, 0.4 * height],
      [0.9 * width, 0.85 * height]
    ]
  })
  chosen.value = 'end.0'
}
function putPoint(): void {
  if (!line.value || !photo.size.value) return
  const points = marks.value.lines[line.value] ?? []
  const { width, height } = photo.size.value
  photo.setLine(line.value, [...points, points.at(-1) ?? [width / 2, height / 2]])
  chosen.value = `${line.value}.${points.length}`
}
function stroke(through: readonly PhotoPoint[]): void {
  const of = outlineTool.value === 'dog' ? 'dog' : 'backdrop'
  if (through.length) photo.correct({ strokes: [...marks.value.corrections.strokes, { of, through, radiusPx: brushPx.value }] })
}
function nudge(dx: number, dy: number, by = 1): void {
  const own = handles.value.find(({ id }) => id === chosen.value)
  if (own) move(own.id, [own.at[0] + dx * by, own.at[1] + dy * by])
}
const at = computed(() => STEPS.findIndex(({ id }) => id === step.value))
const go = (by: number) => void (step.value = STEPS[Math.min(STEPS.length - 1, Math.max(0, at.value + by))].id)
const canvas = ref<InstanceType<typeof PhotoCanvas> | null>(null)
useKeys([
  { key: 'ArrowLeft', label: t('measure.moveSelectedPointOnePixel'), run: () => nudge(-1, 0) },
  { key: 'ArrowRight', label: t('measure.moveSelectedPointOnePixel2'), run: () => nudge(1, 0) },
  { key: 'ArrowUp', label: t('measure.moveSelectedPointOnePixel3'), run: () => nudge(0, -1) },
  { key: 'ArrowDown', label: t('measure.moveSelectedPointOnePixel4'), run: () => nudge(0, 1) },
  { key: 'h', label: t('measure.moveSelectedPointTenPixels'), run: () => nudge(-1, 0, 10) },
  { key: 'l', label: t('measure.moveSelectedPointTenPixels2'), run: () => nudge(1, 0, 10) },
  { key: 'k', label: t('measure.moveSelectedPointTenPixels3'), run: () => nudge(0, -1, 10) },
  { key: 'j', label: t('measure.moveSelectedPointTenPixels4'), run: () => nudge(0, 1, 10) },
  { key: '+', label: t('measure.zoom'), run: () => canvas.value?.magnify(1.5) },
  { key: '-', label: t('measure.zoomOut'), run: () => canvas.value?.magnify(1 / 1.5) },
  { key: '0', label: t('measure.wholePicture'), run: () => canvas.value?.fit() },
  { key: 'n', label: t('measure.nextStepPicture'), run: () => go(1) },
  { key: 'b', label: t('measure.previousStep'), run: () => go(-1) },
  { key: 'a', label: t('measure.allPointsRight'), run: () => step.value === 'places' && photo.agree() },
  { key: 'u', label: t('measure.undoLastMark'), run: () => void photo.undo() }
])
</script>

<template>
  <div class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_440px] lg:overflow-hidden" :data-desk="photo.seen">
    <main class="flex h-[58vh] min-w-0 flex-col lg:h-auto" :aria-label="t('measure.picture')">
      <PhotoCanvas
        v-if="photo.size.value"
        ref="canvas"
        :src="addressOf('picture', { id: photo.pictureId })"
        :width="photo.size.value.width"
        :height="photo.size.value.height"
        :shapes="shapes"
        :handles="handles"
        :selected="chosen"
        :tool="tool"
        :brush-px="brushPx"
        @tap="tap"
        @move="move"
        @select="select"
        @stroke="stroke"
      />
      <p v-else class="p-6" role="status">{{ photo.problem.value ?? t('measure.openingPicture') }}</p>
    </main>
    <aside class="flex min-h-0 flex-col border-line bg-sheet max-lg:border-t lg:border-l" :aria-label="t('measure.whatPictureShows')">
      <nav class="flex border-b-2 border-ink" :aria-label="t('measure.stepsPicture')">
        <button
          v-for="one in STEPS"
          :key="one.id"
          class="narrow min-h-[48px] flex-auto px-1 text-center"
          :class="step === one.id ? 'bg-ink font-[650] text-sheet' : 'muted'"
          :aria-current="step === one.id ? 'step' : undefined"
          @click="step = one.id"
        >
          {{ one.name }}
        </button>
      </nav>
      <div class="min-h-0 flex-1 px-4 py-3 lg:overflow-y-auto">
        <p v-if="photo.problem.value" class="mb-2 flex gap-2 leading-[1.3] font-[650]" role="alert">
          <GlyphMark name="fails" :size="18" class="mt-0.5 flex-none" />{{ photo.problem.value }}
        </p>
        <ScalePart
          v-if="step === 'scale'"
          ref="scalePart"
          :seen="photo.seen"
          :size="{ widthPx: photo.size.value?.width ?? 1, heightPx: photo.size.value?.height ?? 1 }"
          :board="photo.board.value"
          :scale="marks.scale"
          :ends="ends"
          :checking="checking"
          @put="photo.setScale"
          @check="(on) => (checking = on)"
          @again="photo.setScale(null)"
          @ends="putEnds"
          @choose="select"
          @look="lookForBoard"
        />
        <OutlinePart
          v-else-if="step === 'outline'"
          v-model:tool="outlineTool"
          v-model:brush="brush"
          :photo="photo"
          :touched="shapeStart ? 1 : 0"
        />
        <PlacesPart v-else-if="step === 'places'" v-model:place="place" v-model:line="line" :photo="photo" @point="putPoint" />
        <template v-else>
          <FoundPart
            v-if="moment === 'after'"
            :photo="photo"
            :grading="grading"
            :skin="skin"
            :chosen="said"
            @choose="(key) => (said = key)"
          />
          <slot name="before-after" :photo="photo" />
        </template>
      </div>
      <div class="flex items-center gap-2 border-t border-line px-4 py-2">
        <button class="btn btn-quiet min-h-11 px-3 py-1 text-[16px]" :disabled="photo.undoable.value === 0" @click="photo.undo">
          {{ t('measure.undo') }}
        </button>
        <span class="flex-1" />
        <button
          v-if="step === 'found' && moment === 'after'"
          class="btn btn-quiet min-h-11 px-3 py-1 text-[16px]"
          @click="explained = true"
        >
          {{ t('measure.explainSave') }}
        </button>
        <button v-else-if="step !== 'found'" class="btn min-h-11" @click="go(1)">
          {{ t('measure.nextName', { name: STEPS[at + 1].name.slice(2).toLowerCase() }) }}
        </button>
        <slot v-if="step === 'found'" />
      </div>
    </aside>
    <PhotoExplained v-if="explained" :photo="photo" :grading="grading" :before="before" @close="explained = false" />
  </div>
</template>
