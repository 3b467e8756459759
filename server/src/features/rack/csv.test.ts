import { rack } from '@peen/content'
import type { Tool } from '@peen/core/tools'
import fc from 'fast-check'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { rackFromCsv, rackIssues, rackToCsv } from './csv'

const word = fc.stringMatching(/^[A-Za-z0-9½=+@"',;-][A-Za-z0-9½ =+@"',;-]{0,10}[A-Za-z0-9½]$/)
const tool = (index: number) =>
  fc
    .record({
      label: word,
      kind: fc.constantFrom<Tool['kind']>('blade', 'comb', 'scissors', 'hand', 'brush'),
      mm: fc.integer({ min: 1, max: 600 }),
      note: word
    })
    .map(({ label, kind, mm, note }): Tool => ({
      id: `t-${index}`,
      label: `${label}${index}`,
      kind,
      lengthMm: kind === 'blade' || kind === 'comb' ? mm / 10 : null,
      fraction: null,
      toothing: kind === 'blade' ? 'skip' : null,
      base: kind === 'comb' ? '10' : null,
      setTo: kind === 'blade' ? '15' : null,
      note
    }))
const racks = fc.integer({ min: 1, max: 6 }).chain((n) => fc.tuple(...Array.from({ length: n }, (_, i) => tool(i))))

describe('a rack as a table', () => {
  it('comes back as it went out, whatever stands in its words', () => {
    fc.assert(
      fc.property(racks, (tools) => {
        fc.pre(rackIssues(tools).length === 0)
        const read = rackFromCsv(rackToCsv(tools))
        expect(read).toEqual({ ok: true, tools })
      }),
      { numRuns: 150 }
    )
  })

  it('lets no cell begin as a formula', () => {
    fc.assert(
      fc.property(racks, (tools) => {
        for (const cell of Papa.parse<string[]>(rackToCsv(tools)).data.flat()) expect(cell).not.toMatch(/^[=+@-]/)
      }),
      { numRuns: 150 }
    )
  })

  it('finds nothing wrong with the shipped rack, and names the second of two alike', () => {
    expect(rackIssues(rack)).toEqual([])
    expect(rackIssues([...rack, rack[3]])).toMatchObject([
      { at: rack.length, detail: expect.stringMatching(/as tool 4; each id must be different/) }
    ])
    expect(rackIssues([...rack, { ...rack[3], id: 'other' }])).toMatchObject([
      { detail: expect.stringMatching(/each tool needs a different name/) }
    ])
    expect(rackIssues([{ ...rack.find(({ id }) => id === 'scissors-straight')!, base: '30' }])).toMatchObject([
      { detail: expect.stringMatching(/only a comb goes over a blade/) }
    ])
  })
})
