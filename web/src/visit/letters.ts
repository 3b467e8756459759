// What an owner and an apprentice are told of a visit, as text to send.
import type { VisitPage } from '@peen/contract'
import { format, parseISO } from 'date-fns'
import { sayHours } from '../composables/words'
import { t } from '../words'

type Letter = { readonly id: string; readonly title: string; readonly text: string }
const day = (on: string) => format(parseISO(on), 'EEEE d MMMM')

/** Of a visit that is to come. Whatever is said of a dog's skin or temper stays in the school: its owner is told the day and how to bring it. */
export function lettersOf({ dog, onDate, comesAt, standard, apprentice, tableNumber, lastTime }: VisitPage): readonly Letter[] {
  const facts = { dog: dog.name, date: day(onDate), time: comesAt ? sayHours(comesAt) : 'none', trim: standard.name }
  return [
    { id: 'owner', title: t('visit.forOwner'), text: t('visit.ownerLetter', { ...facts, owner: dog.ownerGivenName ?? 'none' }) },
    {
      id: 'apprentice',
      title: t('visit.forApprentice', { name: apprentice.givenName }),
      text: [
        t('visit.apprenticeLetter', {
          ...facts,
          ...{ name: apprentice.givenName, table: tableNumber, minutes: standard.standardMin, coat: dog.coat, canStand: dog.canStandMin }
        }),
        ...(dog.dislikes ? [t('visit.apprenticeDislikes', { dog: dog.name, dislikes: dog.dislikes })] : []),
        ...(lastTime ? [t('visit.apprenticeLastTime', { lastTime })] : [])
      ].join(' ')
    }
  ]
}

/** Of the next visit, once this one is closed. */
export function nextLetters(
  { dog, standard }: Pick<VisitPage, 'dog' | 'standard'>,
  told: string,
  backOn: string | null
): readonly Letter[] {
  const facts = { dog: dog.name, trim: standard.name }
  const next = backOn ? t('visit.dueBack', { ...facts, date: day(backOn) }) : ''
  const text = [told, next].filter((words) => words !== '').join(' ')
  return text === '' ? [] : [{ id: 'owner', title: t('visit.forOwner'), text }]
}
