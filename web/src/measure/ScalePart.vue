<script setup lang="ts">
import { checkLength, planeScale, SCALE_THINGS, type PhotoPoint, type ScaleMark, type Seen } from '@peen/core/measure'
import { sayNumber } from '@peen/core/units'
import { useLocalStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import NumberBox from '../library/NumberBox.vue'

// How long a millimetre is in the dog's own plane: a known length upright beside it, where it stands, how far the camera is.
const props = defineProps<{ seen: Seen; scale: ScaleMark | null; ends: readonly PhotoPoint[]; checking: boolean }>()
const emit = defineEmits<{ put: [scale: ScaleMark | null]; check: [on: boolean]; again: []; ends: []; choose: [end: string] }>()

const THINGS: Readonly<Record<(typeof SCALE_THINGS)[number], string>> = {
  ruler: 'a ruler',
  comb: 'a comb of known length',
  board: 'a board'
}
/** what stood there last time stands there again: kept on this tablet, by view */
const last = useLocalStorage(`peen.scale.${props.seen === 'head' ? 'head' : 'profile'}`, {
  what: 'ruler' as ScaleMark['what'],
  lengthMm: props.seen === 'head' ? 100 : 200,
  behindMm: 0,
  behindUMm: 10,
  cameraMm: props.seen === 'head' ? 1000 : 2200,
  upright: true
})
const now = computed(() => props.scale ?? { ...last.value, ends: props.ends, endUPx: 1.5, check: null })
function put(part: Partial<ScaleMark>): void {
  const { what, lengthMm, behindMm, behindUMm, cameraMm, upright } = { ...now.value, ...part }
  last.value = { what, lengthMm, behindMm, behindUMm, cameraMm, upright }
  if (props.scale) emit('put', { ...props.scale, ...part })
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
    <p class="leading-[1.35]">
      <template v-if="!scale && ends.length === 0">Touch the upper end of the ruler in the picture, then the lower one.</template>
      <template v-else-if="!scale">Now touch its lower end.</template>
      <template v-else-if="plane"
        ><b>{{ sayNumber(plane.pxPerMm) }} px a millimetre</b>, sure to {{ sayNumber(100 * plane.u01) }} %<template
          v-if="Math.abs(plane.corrected01) > 0.0005"
          >; the depth changed it by {{ sayNumber(100 * plane.corrected01) }} %</template
        >. Drag its ends to mend it.</template
      >
    </p>
    <div class="mt-2 grid grid-cols-2 gap-x-3 gap-y-1">
      <label class="col-span-2"
        ><span class="label">What stands there</span>
        <select
          class="field h-12"
          :value="now.what"
          @change="put({ what: ($event.target as HTMLSelectElement).value as ScaleMark['what'] })"
        >
          <option v-for="thing in SCALE_THINGS" :key="thing" :value="thing">{{ THINGS[thing] }}</option>
        </select></label
      >
      <NumberBox
        label="Its length, mm"
        :value="now.lengthMm"
        :low="1"
        :high="3000"
        @put="(value) => value !== null && put({ lengthMm: value })"
      />
      <NumberBox
        label="Camera to dog, mm"
        :value="now.cameraMm"
        :low="300"
        :high="20000"
        @put="(value) => value !== null && put({ cameraMm: value })"
      />
      <NumberBox
        :label="seen === 'head' ? 'Behind the eyes, mm' : 'Behind the spine, mm'"
        :value="now.behindMm"
        :low="-500"
        :high="500"
        @put="(value) => value !== null && put({ behindMm: value })"
      />
      <NumberBox
        label="Give or take, mm"
        :value="now.behindUMm"
        :low="0"
        :high="500"
        @put="(value) => value !== null && put({ behindUMm: value })"
      />
    </div>
    <p class="muted mt-1 leading-[1.3]">Before the {{ seen === 'head' ? 'eyes' : 'spine' }} counts as less than nought.</p>
    <label class="mt-1 flex min-h-11 items-center gap-3"
      ><input
        type="checkbox"
        class="size-6 accent-(--act)"
        :checked="now.upright"
        @change="put({ upright: ($event.target as HTMLInputElement).checked })"
      />it stands upright: the picture is levelled by it</label
    >
    <template v-if="scale">
      <div class="mt-2 flex flex-wrap items-end gap-2">
        <button
          class="btn btn-quiet min-h-11 px-3 py-1 text-[16px]"
          :aria-pressed="checking"
          :class="checking && 'bg-ink text-sheet'"
          @click="$emit('check', !checking)"
        >
          {{ scale.check ? 'Check length: drag its ends' : 'Check by a second length' }}
        </button>
        <NumberBox
          v-if="checking || scale.check"
          class="w-28"
          label="It is, mm"
          :value="scale.check?.lengthMm ?? checkMm"
          :low="1"
          :high="3000"
          @put="putCheck"
        />
        <button class="btn btn-quiet min-h-11 px-3 py-1 text-[16px]" @click="$emit('again')">Place it again</button>
      </div>
      <p v-if="checked" class="mt-2 font-[650]" role="status">
        It comes to {{ sayNumber(checked.measuredMm) }} mm: {{ sayNumber(Math.abs(checked.offMm)) }} mm too
        {{ checked.offMm > 0 ? 'long' : 'short' }}.
      </p>
    </template>
    <button v-if="!scale" class="btn btn-quiet mt-2 min-h-11 px-3 py-1 text-[16px]" @click="$emit('ends')">
      Put both ends, to be moved
    </button>
    <div v-if="scale" class="mt-2 flex gap-2">
      <button class="btn btn-quiet min-h-11 flex-1 px-3 py-1 text-[16px]" @click="$emit('choose', 'end.0')">Move the upper end</button>
      <button class="btn btn-quiet min-h-11 flex-1 px-3 py-1 text-[16px]" @click="$emit('choose', 'end.1')">Move the lower end</button>
    </div>
    <p v-if="!scale" class="muted mt-3 leading-[1.3]">Without a scale only ratios, angles and shapes can be told; lengths stay open.</p>
  </div>
</template>
