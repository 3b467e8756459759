// @vitest-environment happy-dom
import { afterEach, describe, expect, it } from 'vitest'
import { allWords, chooseLanguage, loadWords, t } from './words'

afterEach(async () => {
  localStorage.clear()
  await loadWords('en-GB')
  await allWords()
})

describe('the words of a page', () => {
  it('are those of the language that this device reads, told to the page as well', async () => {
    localStorage.setItem('peen.language', 'en-US')
    await loadWords()
    await allWords()
    expect([t('day.visitCancelled'), document.documentElement.lang, document.documentElement.dir]).toEqual([
      'Visit canceled.',
      'en-US',
      'ltr'
    ])
    // what it says alike is said as in the first language
    expect(t('floor.free')).toBe('Free')
  })
  it('are British where the device names a language that Peen has not', async () => {
    await loadWords('tlh')
    expect(document.documentElement.lang).toBe('en-GB')
  })
  it('are loaded again for another language once, and never for one that is missing or unknown', () => {
    expect(chooseLanguage('en-GB')).toBe(false)
    // a sign-in kept from before there were languages would load the page without end
    expect(chooseLanguage(undefined as unknown as string)).toBe(false)
    expect(chooseLanguage('tlh')).toBe(false)
    expect(localStorage.getItem('peen.language')).toBeNull()
    expect(chooseLanguage('en-US')).toBe(true)
    expect(localStorage.getItem('peen.language')).toBe('en-US')
  })
})
