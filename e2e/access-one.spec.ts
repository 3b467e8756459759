import { test } from './app'
import { walkScreens } from './screens'

test('axe finds nothing serious in light or dark, and nothing runs over the edge: the one half of the screens', async ({ page }) => {
  test.setTimeout(480000)
  await walkScreens(page, 0)
})
