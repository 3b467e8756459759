import type { Table } from './useTable'
import { useSavedStore } from '../stores/saved'
import type { useTaps } from './useTaps'
import { t } from '../words'

type Press = Parameters<ReturnType<typeof useTaps>['press']>[0]
const STAFF_KEYS: readonly (readonly [key: string, label: string, press: Press])[] = [
  ['1', t('table.keyFault'), 'fault'],
  ['2', t('table.keyPrompt'), 'prompt'],
  ['3', t('table.keyHelped'), 'helped'],
  ['4', t('table.keyPraise'), 'praise']
]

/** The keys of a table: every tap has one. */
export function tableKeys({ state, session, tap }: Table, taps: ReturnType<typeof useTaps>) {
  const press = ([key, label, what]: (typeof STAFF_KEYS)[number]) => ({ key, label, run: () => taps.press(what) })
  return [
    ...(session.isStaff
      ? [...STAFF_KEYS.map(press), { key: 'i', label: t('table.iAmHere'), run: () => taps.arrive() }]
      : [{ key: '1', label: t('table.askHelp'), run: () => void (state.value.askedAt ?? tap('helpAsked', {}, 'asking')) }]),
    press(['5', t('table.startOrEndBreak'), 'break']),
    press(['6', t('table.stopOrResume'), 'stop']),
    press(['7', t('table.dogUneasy'), 'stress']),
    { key: '8', label: t('table.picture'), run: () => document.querySelector<HTMLInputElement>('[data-key=picture] input')?.click() },
    { key: 'n', label: t('table.startNextStepOrEnd'), run: () => void taps.next() },
    { key: 'p', label: t('table.pauseStep'), run: () => void taps.pause() },
    {
      key: 'w',
      label: t('table.addDetailLastTap'),
      run: () =>
        document.querySelector<HTMLElement>('[data-testid=say-more] button:not(:first-of-type), [data-testid=say-more] button')?.focus()
    },
    { key: 'z', label: t('table.undoLastTapWithinTen'), run: () => useSavedStore().undo?.run() }
  ]
}
