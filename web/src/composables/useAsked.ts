import type { EndpointName, Problem, Reply } from '@peen/contract'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, onScopeDispose, watch, type ComputedRef, type WritableComputedRef } from 'vue'
import { cache } from '../api/cache'
import { ApiError, isUnreachable, sentenceOf, type Given } from '../api/client'
import { read } from '../offline/read'
import { useLiveStore, type LiveNews } from '../stores/live'
import { useReachStore } from '../stores/reach'

export type Asked<T> = {
  /** what was answered, or what a screen has put in its place */
  readonly data: WritableComputedRef<T | null>
  readonly error: ComputedRef<string | null>
  /** a refusal as the server gave it, with its code and what it names */
  readonly refusal: ComputedRef<Problem | null>
  readonly loading: ComputedRef<boolean>
  readonly reload: () => Promise<void>
}

export type HowAsked = {
  /** news after which it is asked again */
  readonly hears?: (news: LiveNews) => boolean
  /** never shown from the cache: what is changed here must begin from what the server holds */
  readonly fresh?: boolean
  /** not asked while this is false */
  readonly when?: () => boolean
}

/** Everything that other tablets do. */
export const ALL_NEWS = () => true

/** A server that has just come back is given a moment, ms. */
const AGAIN_MS = 500
let count = 0

/** A screen's data from one endpoint, asked again whenever what is given changes. What was shown stays until the answer is there. */
export function useAsked<N extends EndpointName>(
  name: N,
  given: () => Given<N> = () => ({}) as Given<N>,
  { hears, fresh, when = () => true }: HowAsked = {}
): Asked<Reply<N>> {
  // what is fresh has an entry of its own in the cache, which nothing else fills
  const own = fresh ? ++count : 0
  const key = computed(() => [name, given(), own] as const)
  const query = useQuery(
    {
      queryKey: key,
      queryFn: ({ queryKey }) => read(name, queryKey[1] as Given<N>),
      placeholderData: keepPreviousData as never,
      enabled: when,
      // an answer is told even where it says the same again: what was moved or typed here gives way to it
      structuralSharing: false,
      ...(fresh ? { gcTime: 0 } : {}),
      shallow: true
    },
    cache
  )
  const reload = async () => void (await query.refetch())
  const reach = useReachStore()
  // what could not be read while nothing answered is read by itself as soon as something does
  watch(
    () => isUnreachable(query.error.value) && !reach.isLost,
    (again) => again && setTimeout(() => void reload(), AGAIN_MS)
  )
  if (hears) followNews(hears, reload)
  return {
    data: computed({
      get: () => (query.data.value ?? null) as Reply<N> | null,
      set: (answer) => void cache.setQueryData(key.value, answer)
    }),
    error: computed(() => (query.error.value ? sentenceOf(query.error.value) : null)),
    refusal: computed(() => (query.error.value instanceof ApiError ? query.error.value.problem : null)),
    loading: computed(() => query.isFetching.value),
    reload
  }
}

/** News close together is read in one go, ms. */
const GATHER_MS = 250

/** Asks again after news: one answer at a time, and once more where something happened meanwhile. */
function followNews(hears: (news: LiveNews) => boolean, reload: () => Promise<void>): void {
  let timer: ReturnType<typeof setTimeout> | undefined
  let isReading = false
  let isOver = false
  function soon(): void {
    if (timer !== undefined || isReading || isOver) return
    timer = setTimeout(() => void read(), GATHER_MS)
  }
  let missed = false
  async function read(): Promise<void> {
    timer = undefined
    missed = false
    isReading = true
    await reload()
    isReading = false
    if (missed) soon()
  }
  const stop = useLiveStore().listen((news) => {
    if (!hears(news)) return
    missed = isReading
    soon()
  })
  onScopeDispose(() => {
    isOver = true
    clearTimeout(timer)
    stop()
  })
}
