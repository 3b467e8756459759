<script setup lang="ts">
import { houseRules } from '@peen/content'
import { PASS_DIRECTIONS, PASS_KINDS, SETS_LENGTH, SHARES, TOOLS_OF, withTool, passAs, type Pass, type PassKind } from '@peen/core/standard'
import { computed } from 'vue'
import { useSessionStore } from '../stores/session'
import { techniqueById } from '../stores/techniques'
import NumberBox from './NumberBox.vue'
import { DIRECTION_NAMES, KIND_NAMES, SHARE_NAMES, toolName } from './pass-words'
import { t } from '../words'

// One pass over a place: what is done, with which tool and in which direction, what it leaves, at which step.
const props = defineProps<{ pass: Pass; techniques: readonly string[]; label: string }>()
const emit = defineEmits<{ put: [pass: Pass] }>()
const session = useSessionStore()
const rack = computed(() => session.school?.tools ?? [])
const fitting = computed(() => rack.value.filter(({ kind }) => TOOLS_OF[props.pass.kind].includes(kind)))
const text = (event: Event) => (event.target as HTMLInputElement).value
const put = (part: Partial<Pass>) => emit('put', { ...props.pass, ...part })
const putTool = (id: string) => emit('put', withTool(props.pass, rack.value.find((tool) => tool.id === id) ?? null))
/** Turned round, a blade leaves another length: it is taken from the blade again. */
function putDirection(direction: Pass['direction']): void {
  const tool = rack.value.find(({ id }) => id === props.pass.tools[0]) ?? null
  emit('put', withTool({ ...props.pass, direction }, tool))
}
function also(id: string): void {
  if (id) put({ tools: [...props.pass.tools, id] })
}
function putWhere(words: string): void {
  const { where: _none, ...rest } = props.pass
  emit('put', words.trim() ? { ...rest, where: words.trim() } : rest)
}
function putHouse(value: string): void {
  const { house: _none, ...rest } = props.pass
  const [id, side] = value.split('=')
  emit('put', value ? { ...rest, house: { id, side: Number(side) } } : rest)
}
</script>

<template>
  <div class="grid gap-2 sm:grid-cols-2">
    <label
      ><span class="label">{{ t('library.work') }}</span
      ><select
        class="field h-11"
        :value="pass.kind"
        :aria-label="t('library.labelWork', { label })"
        @change="emit('put', passAs(pass, text($event) as PassKind, rack))"
      >
        <option v-for="kind in PASS_KINDS" :key="kind" :value="kind">{{ KIND_NAMES[kind] }}</option>
      </select></label
    >
    <label
      ><span class="label">{{ t('library.tool') }}</span
      ><select
        class="field h-11"
        :value="pass.tools[0] ?? ''"
        :aria-label="t('library.labelTool', { label })"
        @change="putTool(text($event))"
      >
        <option v-if="pass.tools.length === 0" value="">{{ t('library.chooseOne') }}</option>
        <option v-for="tool in fitting" :key="tool.id" :value="tool.id">{{ toolName(tool) }}</option>
      </select></label
    >
    <label v-if="pass.direction !== null"
      ><span class="label">{{ t('library.direction') }}</span
      ><select
        class="field h-11"
        :value="pass.direction"
        :aria-label="t('library.labelDirection', { label })"
        @change="putDirection(text($event) as 'with')"
      >
        <option v-for="one in PASS_DIRECTIONS" :key="one" :value="one">{{ DIRECTION_NAMES[one] }}</option>
      </select></label
    >
    <label v-if="pass.kind === 'pull'"
      ><span class="label">{{ t('library.howMuchPulled') }}</span
      ><select
        class="field h-11"
        :value="pass.share"
        :aria-label="t('library.labelHowMuch', { label })"
        @change="put({ share: text($event) as 'top' })"
      >
        <option v-for="one in SHARES" :key="one" :value="one">{{ SHARE_NAMES[one] }}</option>
      </select></label
    >
    <NumberBox
      v-if="SETS_LENGTH[pass.kind] !== 'never'"
      :label="t('library.leavesMmEmptyWhereOnly')"
      open
      :value="pass.leavesMm"
      :low="0.1"
      :high="300"
      @put="(leavesMm) => put({ leavesMm })"
    />
    <label
      ><span class="label">{{ t('library.step') }}</span
      ><select
        class="field h-11"
        :value="pass.technique"
        :aria-label="t('library.labelStep', { label })"
        @change="put({ technique: text($event) })"
      >
        <option v-if="!techniques.includes(pass.technique)" :value="pass.technique">
          {{ t('library.nameNotStepTrim', { name: techniqueById(pass.technique)?.name ?? pass.technique }) }}
        </option>
        <option v-for="id in techniques" :key="id" :value="id">{{ techniqueById(id)?.name ?? id }}</option>
      </select></label
    >
    <label
      ><span class="label">{{ t('library.whereFewWords') }}</span
      ><input class="field h-11" :value="pass.where ?? ''" maxlength="120" @change="putWhere(text($event))"
    /></label>
    <label
      ><span class="label">{{ t('library.onlyUnderHouseRule') }}</span
      ><select
        class="field h-11"
        :value="pass.house ? `${pass.house.id}=${pass.house.side}` : ''"
        :aria-label="t('library.labelHouseRule', { label })"
        @change="putHouse(text($event))"
      >
        <option value="">{{ t('library.always') }}</option>
        <optgroup v-for="rule in houseRules" :key="rule.id" :label="rule.question">
          <option v-for="(side, i) in rule.sides" :key="side" :value="`${rule.id}=${i}`">{{ rule.question }}: {{ side }}</option>
        </optgroup>
      </select></label
    >
    <p class="muted sm:col-span-2">
      <template v-if="pass.tools.length > 1">
        {{ t('library.or') }}
        <button
          v-for="id in pass.tools.slice(1)"
          :key="id"
          class="mr-2 min-h-11 underline underline-offset-4"
          :aria-label="t('library.labelRemoveId', { label, id })"
          @click="put({ tools: pass.tools.filter((one) => one !== id) })"
        >
          {{ t('library.labelRemove', { label: rack.find((tool) => tool.id === id)?.label ?? id }) }}
        </button>
      </template>
      <select class="field inline-block h-11 w-auto" value="" :aria-label="t('library.labelOr', { label })" @change="also(text($event))">
        <option value="">{{ t('library.addAlternativeTool') }}</option>
        <option v-for="tool in fitting.filter(({ id }) => !pass.tools.includes(id))" :key="tool.id" :value="tool.id">
          {{ toolName(tool) }}
        </option>
      </select>
    </p>
  </div>
</template>
