import { standards } from '@peen/content'
import { describe, expect, it } from 'vitest'
import { APPRENTICES, DOGS, STAFF, TODAY } from './cast'
import { scenario } from './scenario'

describe('the demo as inputs', () => {
  it('is the same from the same seed, and ends on its own day', () => {
    const once = scenario(standards[0])
    expect(scenario(standards[0]).visits).toEqual(once.visits)
    expect(once.visits.length).toBeGreaterThan(250)
    expect(once.visits.at(-1)!.onDate).toBe(TODAY)
    expect(once.visits.every((visit) => visit.onDate <= TODAY)).toBe(true)
  })

  it('holds two cohorts, two leads, three instructors, a burn and a left-hander', () => {
    expect(new Set(APPRENTICES.map((one) => one.cohort)).size).toBe(2)
    expect(APPRENTICES.length).toBe(12)
    expect(STAFF.filter((one) => one.role === 'lead').length).toBe(2)
    expect(STAFF.filter((one) => one.role === 'instructor').length).toBe(3)
    expect(DOGS.some((dog) => dog.burns?.length)).toBe(true)
    expect(APPRENTICES.some((one) => one.handed === 'left')).toBe(true)
  })
})
