import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pino from 'pino'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { nameOf, writeProof } from './folder'
import { backupsOf } from './runner'

const log = pino({ level: 'silent' })
let folder = ''
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'peen-runner-'))))
afterEach(() => rmSync(folder, { recursive: true, force: true }))

/** A program that says one line and ends when it is told to. */
function slowly() {
  const runs: string[] = []
  let end: (failed: string | null) => void = () => undefined
  const program = (why: string, told: (line: string) => void) => {
    runs.push(why)
    told('Proof: checking the audit trail.')
    return new Promise<string | null>((resolve) => (end = resolve))
  }
  return { runs, program, end: (failed: string | null = null) => end(failed) }
}
const place = (isNightly = false) => ({ folder, second: null, isNightly })

describe('backups of an open server', () => {
  it('are made one at a time, and say what is under way', async () => {
    const { runs, program, end } = slowly()
    const backups = backupsOf(place(), log, program)
    expect(backups.view()).toMatchObject({ isKept: true, isNightly: false, underWay: null, backups: [] })
    backups.begin()
    backups.begin()
    expect(runs).toEqual(['byHand'])
    expect(backups.view().underWay).toBe('Proof: checking the audit trail.')
    end('the disk is full')
    await new Promise((resolve) => setImmediate(resolve))
    expect(backups.view().underWay).toBeNull()
    backups.begin()
    expect(runs).toHaveLength(2)
    backups.stop()
  })

  it('are made by night where none is, and not again the same day', () => {
    const first = slowly()
    backupsOf(place(true), log, first.program).stop()
    expect(first.runs).toEqual(['daily'])
    const file = nameOf(new Date(), 'daily')
    writeFileSync(join(folder, file), 'a backup')
    const rows = { people: 6, visits: 2, events: 40, gradings: 1, pictures: 0 }
    writeProof(join(folder, file), { provenAt: new Date().toISOString(), rows, trail: { entries: 9, whole: true }, derived: 'same' })
    const second = slowly()
    const backups = backupsOf(place(true), log, second.program)
    expect(second.runs).toEqual([])
    expect(backups.view().backups).toMatchObject([{ file, why: 'daily', bytes: 8, proof: { visits: 2, trail: true, derived: 'same' } }])
    backups.stop()
  })

  it('are not made by themselves where that is not asked for', () => {
    const { runs, program } = slowly()
    backupsOf(place(), log, program).stop()
    expect(runs).toEqual([])
  })
})
