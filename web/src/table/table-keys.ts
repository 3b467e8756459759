import type { Table } from './useTable'
import { useSavedStore } from '../stores/saved'
import type { useTaps } from './useTaps'

type Press = Parameters<ReturnType<typeof useTaps>['press']>[0]
const STAFF_KEYS: readonly (readonly [key: string, label: string, press: Press])[] = [
  ['1', 'Fault', 'fault'],
  ['2', 'Prompt', 'prompt'],
  ['3', 'Helped', 'helped'],
  ['4', 'Praise', 'praise']
]

/** The keys of a table: every tap has one. */
export function tableKeys({ state, session, tap }: Table, taps: ReturnType<typeof useTaps>) {
  const press = ([key, label, what]: (typeof STAFF_KEYS)[number]) => ({ key, label, run: () => taps.press(what) })
  return [
    ...(session.isStaff
      ? [...STAFF_KEYS.map(press), { key: 'i', label: 'I am here', run: () => taps.arrive() }]
      : [{ key: '1', label: 'Ask for help', run: () => void (state.value.askedAt ?? tap('helpAsked', {}, 'asking')) }]),
    press(['5', 'Break, or back to work', 'break']),
    press(['6', 'Stop, or go on', 'stop']),
    press(['7', 'Dog uneasy', 'stress']),
    { key: '8', label: 'Picture', run: () => document.querySelector<HTMLInputElement>('[data-key=picture] input')?.click() },
    { key: 'n', label: 'Start the next step, or end this one', run: () => void taps.next() },
    { key: 'p', label: 'Pause this step', run: () => void taps.pause() },
    {
      key: 'w',
      label: 'Say more of the last tap',
      run: () =>
        document.querySelector<HTMLElement>('[data-testid=say-more] button:not(:first-of-type), [data-testid=say-more] button')?.focus()
    },
    { key: 'z', label: 'Undo the last tap, for ten seconds', run: () => useSavedStore().undo?.run() }
  ]
}
