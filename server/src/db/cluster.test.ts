import { expect, it } from 'vitest'
import { holdName } from './cluster'

const room = 'select `id`, `x_mm` from `room_tables` for update'

it('a lock is known by the rows it asks for, whatever it reads of them', () => {
  expect(holdName('select `id` from `room_tables` for update', [])).toBe(holdName(room, []))
  expect(holdName('SELECT * FROM `room_tables` for update', [])).not.toBe(holdName(room, ['a']))
})

it('locks of other rows are other locks', () => {
  const visit = 'select `id` from `visits` where `visits`.`id` = ? for update'
  expect(new Set([holdName(visit, ['a']), holdName(visit, ['b']), holdName(room, ['a'])]).size).toBe(3)
})
