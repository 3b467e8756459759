// Backups of a server that is open: every night and when a lead asks, each in a program of its own, so that no one waits at a table.
import { spawn } from 'node:child_process'
import type { BackupsView, BackupView } from '@peen/contract'
import type { Logger } from 'pino'
import { isDue } from '../features/audit'
import { backupsIn, lastFailure, type Backup } from './folder'
import { hasPassphrase } from './key'

const HOUR_MS = 3600000

/** What a request may see of backups, and ask for. */
export type Backups = { readonly view: () => BackupsView; readonly begin: () => void }

type Where = { readonly folder: string; readonly second: string | null; readonly isNightly: boolean }

/** `program`: what makes one backup of a kind and says its steps line by line. */
export function backupsOf(
  { folder, second, isNightly }: Where,
  log: Logger,
  program = makeInOwnProgram
): Backups & { readonly stop: () => void } {
  let underWay: string | null = null
  function begin(why: 'daily' | 'byHand'): void {
    if (underWay !== null) return
    underWay = 'Backup: starting.'
    void program(why, (line) => (underWay = line)).then((failed) => {
      underWay = null
      if (failed) log.error({ why }, 'the backup failed: %s', failed)
    })
  }
  function look(): void {
    // one that failed is not made up for before the next hour
    const [last] = backupsIn(folder).filter(({ why }) => why === 'daily')
    if (isDue(last?.at ?? null, new Date())) begin('daily')
  }
  const timer = isNightly ? setInterval(look, HOUR_MS) : undefined
  timer?.unref()
  if (isNightly) look()
  return {
    begin: () => begin('byHand'),
    stop: () => clearInterval(timer),
    view: () => ({
      ...{ isKept: true, isNightly, folder, second, underWay, hasPassphrase: hasPassphrase(folder), failure: lastFailure(folder) },
      backups: backupsIn(folder).map(viewOf)
    })
  }
}

function viewOf({ at, why, file, bytes, proof }: Backup): BackupView {
  return {
    ...{ at: at.toISOString(), why, file, bytes },
    proof: proof && {
      ...{ provenAt: proof.provenAt, visits: proof.rows.visits, events: proof.rows.events, gradings: proof.rows.gradings },
      ...{ trail: proof.trail.whole, derived: proof.derived }
    }
  }
}

/** @returns what it said last where it failed, else null */
function makeInOwnProgram(why: 'daily' | 'byHand', told: (line: string) => void): Promise<string | null> {
  // behind those who work: a school with few cores feels nothing
  const child = spawn('nice', ['-n', '10', process.execPath, '--import', 'tsx', 'server/src/backup/main.ts', why], {
    env: process.env,
    stdio: ['ignore', 'pipe', 'pipe']
  })
  let last = ''
  const hear = (data: Buffer) => {
    last = data.toString().trim().split('\n').at(-1) ?? ''
    if (last) told(last)
  }
  child.stdout.on('data', hear)
  child.stderr.on('data', hear)
  return new Promise((resolve) => {
    child.once('error', (error) => resolve(error.message))
    child.once('close', (code) => resolve(code === 0 ? null : last))
  })
}
