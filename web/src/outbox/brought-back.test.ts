// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, expect, it } from 'vitest'
import { browserDatabase } from '../testing/browser-database'
import { stubServer, unstub } from '../testing/server'
import { useOutboxStore } from '../stores/outbox'
import BroughtBack from './BroughtBack.vue'

browserDatabase()
afterEach(unstub)

it.each([
  [{ taps: 2, changes: 1, refused: [] }, 'This tablet has sent 2 taps and 1 change again.'],
  [{ taps: 1, changes: 0, refused: [] }, 'This tablet has sent 1 tap again.'],
  [{ taps: 0, changes: 0, refused: ['This visit is graded.'] }, '1 change could not be sent again:This visit is graded.']
])('says of %j what was sent and what was not', async (brought, says) => {
  stubServer()
  setActivePinia(createPinia())
  const outbox = useOutboxStore()
  outbox.brought = brought
  const shown = mount(BroughtBack)
  expect(shown.text().replace(/\s+/g, ' ')).toContain(says)
  await shown.get('button').trigger('click')
  expect(shown.text()).toBe('')
})
