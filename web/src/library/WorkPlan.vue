<script setup lang="ts">
import { houseRules } from '@peen/content'
import { regionName } from '@peen/core/regions'
import { sayPass } from '@peen/core/setup'
import type { HouseSide, Pass, PlacePlan } from '@peen/core/standard'
import type { Tool } from '@peen/core/tools'
import { lowerFirst } from '@peen/core/units'
import { computed } from 'vue'
import { t } from '../words'

// What a trim does at each place, in which passes, and what it leaves alone; places that are worked alike stand together.
const props = defineProps<{ work: readonly PlacePlan[]; rack: readonly Tool[]; combBase: '30' | '10' }>()

const nameOf = ({ place, part }: PlacePlan) => (part ? `${regionName(place)}, ${part}` : regionName(place))
function inWords(pass: Pass): string {
  const tool = pass.tools.flatMap((id) => props.rack.filter((one) => one.id === id))[0]
  const choice = tool ? { tool, direction: null, lengthMm: null } : null
  return sayPass({ ...pass, choice, overBlade: props.combBase, share: pass.share ?? null, where: pass.where ?? null })
}
const sideOf = (by: HouseSide | undefined) => {
  const rule = by && houseRules.find(({ id }) => id === by.id)
  return rule ? `${rule.question}: ${rule.sides[by.side]}` : null
}
const groups = computed(() => {
  const sign = ({ does, passes, house, note, standsMm }: PlacePlan) =>
    JSON.stringify(does === 'leave' ? [does, house] : [does, passes, house, note, standsMm])
  const all: PlacePlan[][] = []
  for (const row of props.work) {
    const same = all.find(([first]) => sign(first) === sign(row))
    if (same) same.push(row)
    else all.push([row])
  }
  return all
})
const places = (group: readonly PlacePlan[]) => group.map((row, i) => (i === 0 ? nameOf(row) : lowerFirst(nameOf(row)))).join(', ')
</script>

<template>
  <section data-work-plan>
    <h2 class="mt-6 text-[20px]">{{ t('library.whatDoneEachPlace') }}</h2>
    <hr class="rule2 mt-1" />
    <ul class="row-rule m-0 list-none p-0">
      <li v-for="group in groups" :key="places(group)" class="grid gap-x-4 py-2 leading-[1.3] sm:grid-cols-[1fr_2fr]">
        <span
          >{{ places(group) }}<span v-if="sideOf(group[0].house)" class="muted block">{{ sideOf(group[0].house) }}</span></span
        >
        <span v-if="group[0].does === 'leave'">{{ t('library.leftAloneCombedThrough') }}</span>
        <span v-else-if="group[0].does === 'unsaid'">{{ t('library.notWrittenYet') }}</span>
        <span v-else>
          <span v-for="(pass, i) in group[0].passes" :key="i" class="block"
            ><b class="font-[650]">{{ inWords(pass) }}</b
            ><template v-if="pass.where">, {{ pass.where }}</template
            ><template v-if="pass.leavesMm !== null">{{ t('library.leavesLeavesMmMm', { leavesMm: pass.leavesMm }) }}</template
            ><span v-if="sideOf(pass.house)" class="muted"> ({{ sideOf(pass.house) }})</span></span
          >
          <span v-if="group[0].does === 'coat' && group[0].standsMm !== undefined" class="muted block">{{
            t('library.coatLeftAboutStandsMmMm', { standsMm: group[0].standsMm })
          }}</span>
          <span v-if="group[0].note" class="muted block">{{ group[0].note }}</span>
        </span>
      </li>
    </ul>
  </section>
</template>
