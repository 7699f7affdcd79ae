import Database from 'better-sqlite3'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { openRecord } from './open'

it('a record of the first version is brought up without loss', () => {
  const old = mkdtempSync(join(tmpdir(), 'neat-bracket-'))
  const first = new Database(join(old, 'record.sqlite'))
  first.exec(readFileSync('src/server/db/migrations/0001-record.sql', 'utf8'))
  first.pragma('user_version = 1')
  first.exec(`INSERT INTO job VALUES ('j', 1, 'Yard', '', 'metric', '', '{}', '{}', '2026-01-01T00:00:00Z', 'Lead');
    INSERT INTO device VALUES ('j', 'd', 0, '01', 'Door', 'c', '[]', 's', 'marine', 'c', '[]', '{"heightM":3,"wish":{"place":"left","kept":true,"reason":"","agreedBy":""}}', '{"fixingId":"screw-8"}', '{"segments":[{"id":"a"},{"id":"b"}]}', NULL, NULL, NULL, '{}');
    INSERT INTO step_record VALUES ('j', 'd', 'test/unpack', 0, 'done', NULL, NULL, '', '2026-01-01T00:00:00Z', 'Lead');
    INSERT INTO device VALUES ('j', 'e', 1, '02', 'Gate', 'c', '[]', 's', 'marine', 'c', '[]', NULL, NULL, NULL, NULL, NULL, NULL, '{}')`)
  first.close()
  const now = openRecord(old)
  const sights = now.prepare('SELECT sight FROM device ORDER BY position').pluck().all() as (string | null)[]
  expect(sights.map((words) => (words === null ? null : (JSON.parse(words) as unknown)))).toEqual([
    { heightM: 3, wish: { place: 'left', kept: true, reason: '', agreedBy: '', at: null }, place: null },
    null,
  ])
  expect(JSON.parse(now.prepare('SELECT mount FROM device').pluck().get() as string)).toEqual({
    fixingId: 'screw-8',
    edgeMm: null,
    slotMm: null,
    pole: null,
  })
  expect(now.prepare('SELECT wind_ms FROM job').pluck().get()).toBe(45)
  expect(now.pragma('user_version', { simple: true })).toBe(6)
  expect(now.prepare('SELECT terrain, mains_v, keep_photo_place FROM job').get()).toEqual({
    terrain: 'open',
    mains_v: 230,
    keep_photo_place: 0,
  })
  expect(JSON.parse(now.prepare('SELECT route FROM device').pluck().get() as string)).toEqual({
    segments: [
      { id: 'a', conduitName: '' },
      { id: 'b', conduitName: '' },
    ],
  })
  expect(now.prepare('SELECT step_id FROM step_record').pluck().all()).toEqual(['bench/unpack'])
  now.close()
  rmSync(old, { recursive: true })
})
