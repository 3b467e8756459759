// What the demo's cohorts still need, asked as a lead asks it.
import type { SupplyView } from '@peen/contract'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { servedDemo } from './testing/served'

let demo: Awaited<ReturnType<typeof servedDemo>>
beforeAll(async () => {
  demo = await servedDemo('supply', { as: 'ottilie' })
})
afterAll(() => demo.close())
const supply = async (query: string) => (await demo.get(`/supply?${query}`)) as unknown as SupplyView
const named = ({ apprentices }: SupplyView, name: string) => apprentices.find((one) => one.name.startsWith(name))!
const times = ({ asked }: SupplyView) => asked.reduce((sum, one) => sum + one.times, 0)

describe('the autumn cohort by 30 June', () => {
  let view: SupplyView
  beforeAll(async () => {
    view = await supply('cohort=Autumn&by=2026-06-30&certificate=bearded-pet')
  })

  it('counts the days on which the school is open', () => {
    // 15 April to 30 June has 55 weekdays, less three of the spring break
    expect([view.openDays, view.weeks, view.today]).toEqual([52, 11, '2026-04-14'])
  })

  it('says who is ready, who can be, and what stands in the way of the others', () => {
    expect(named(view, 'Tove')).toMatchObject({ status: 'ready', isThere: true, needs: [] })
    const marek = named(view, 'Marek')
    // a serious safety event holds the ear leather; no dog settles that
    expect(marek.needs.some(({ isHeld, tries }) => isHeld && tries === null) || marek.others.length > 0).toBe(true)
    expect(marek.isThere).toBe(false)
    for (const { isThere, needs, status } of view.apprentices)
      if (status === 'open' && isThere) expect(needs.every(({ tries }) => tries !== null)).toBe(true)
    expect(view.unmet.every(({ count }) => count > 0)).toBe(true)
  })

  it('asks for visits of dogs that fit, and for no dog more often than it can come', () => {
    expect(view.isProven).toBe(true)
    expect(view.asked.length).toBeGreaterThan(0)
    const perDog = new Map<string, number>()
    for (const { dog, times: n } of view.asked) perDog.set(dog, (perDog.get(dog) ?? 0) + n)
    // eleven weeks, six between visits: two at the most, and Rook, who is overdue
    expect(Math.max(...perDog.values())).toBeLessThanOrEqual(2)
    for (const { serves, techniques } of view.asked) expect(serves).toBeGreaterThanOrEqual(Math.max(1, techniques.length))
    const worth = view.asked.map(({ serves }) => serves)
    expect(worth).toEqual([...worth].sort((a, b) => b - a))
    expect(view.byCoat.reduce((sum, { visits }) => sum + visits, 0)).toBe(times(view))
    for (const { tries, perWeek } of view.byTechnique) expect(perWeek).toBeCloseTo(Math.ceil((10 * tries) / 11) / 10, 9)
  })

  it('takes booked visits off', () => {
    const booked = named(view, 'Bram').needs
    expect(booked.some(({ planned }) => planned === 2)).toBe(true)
  })

  it('asks for more the later the day, and for none on the next', async () => {
    const soon = await supply('cohort=Autumn&by=2026-04-15&certificate=bearded-pet')
    expect(times(soon)).toBeLessThanOrEqual(times(view))
    expect(soon.openDays).toBe(1)
    const later = await supply('cohort=Autumn&by=2027-04-14&certificate=bearded-pet')
    const open = ({ unmet }: SupplyView) => unmet.reduce((sum, { count }) => sum + count, 0)
    expect(open(later)).toBeLessThanOrEqual(open(view))
  })

  it('takes the certificate that the cohort is nearest to where none is named', async () => {
    const usual = await supply('cohort=Spring')
    expect(usual.certificates.map(({ id }) => id)).toContain(usual.certificate.id)
    expect(usual.apprentices.every(({ name }) => !name.startsWith('Tove'))).toBe(true)
  })
})
