// What screens have asked for, kept while one moves between them.
import { QueryClient } from '@tanstack/vue-query'

/**
 * Shown at once when a screen is opened again, and always read again behind it. A refusal is told, not tried again, and
 * nothing waits for the browser's own idea of being online: the school's server may be reached without the internet.
 */
export const cache = new QueryClient({
  defaultOptions: { queries: { retry: false, networkMode: 'always', staleTime: 0, refetchOnWindowFocus: false, refetchOnReconnect: true } }
})
