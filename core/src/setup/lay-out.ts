// What is laid out before a dog comes onto the table.
import type { PlanStep } from '../standard'
import type { Tool } from '../tools'
import type { Sheet } from './types'

type House = Readonly<Record<string, number>>

/** The tools of a sheet in the order in which they are first taken, then what the house wants beside them. */
export function layOut({ lines, steps, house }: Pick<Sheet, 'lines' | 'steps' | 'house'>, rack: readonly Tool[]): readonly string[] {
  const inOrder = steps.flatMap(({ toolId }, i) => [
    ...lines
      .filter(({ order }) => order === i + 1)
      .flatMap(({ passes }) =>
        passes.flatMap(({ choice, overBlade }) => [choice?.tool.id, overBlade === null ? undefined : `blade-${overBlade}`])
      ),
    toolId ?? undefined
  ])
  const tools = [...new Set(inOrder)].flatMap((id) => rack.find((tool) => tool.id === id) ?? [])
  const taken = new Set(tools.map(({ id }) => id))
  return [
    ...tools.map(({ kind, label }) => (kind === 'blade' || kind === 'comb' ? `${kind} ${label}` : label)),
    ...besides(steps, house)
      .filter(({ id }) => !taken.has(id))
      .map(({ id, words }) => {
        const tool = rack.find((one) => one.id === id)
        return tool ? `${tool.label}${words ? `, ${words}` : ''}` : `${id.replaceAll('-', ' ')} (not in the rack)`
      })
  ]
}

type Beside = { readonly id: string; readonly words?: string }

/** What is laid out though no pass is done with it. */
function besides(steps: readonly PlanStep[], house: House): readonly Beside[] {
  const walks = (...ids: readonly string[]) => steps.some(({ technique }) => ids.includes(technique))
  const pulls = walks('pull', 'pulled-head', 'roll-coat', 'outline-first', 'transition-strips')
  return [
    ...(pulls && house.fingers !== 1 ? [{ id: 'finger-cots' }] : []),
    ...(pulls ? [{ id: 'chalk', words: house.chalk === 0 ? 'for everywhere' : 'for where the grip fails' }] : []),
    ...(walks('nails') ? [{ id: 'nail-clippers' }, { id: 'grinder' }, { id: 'quick-powder' }] : []),
    ...(walks('tail-band') && house['tail-band'] === 1 ? [{ id: 'comb-2in' }] : []),
    ...(walks('banding') ? [{ id: 'comb-parting' }] : []),
    ...(walks('wrap-ear') ? [{ id: 'bands-wide' }] : []),
    // long show hair is never brushed without it
    ...(walks('long-coat-care', 'banding') || house.product === 1 ? [{ id: 'spray' }] : []),
    ...(walks('ear-leather', 'ear-vent', 'natural-ear', 'ear-clean') ? [{ id: 'ear-wipes' }] : [])
  ]
}
