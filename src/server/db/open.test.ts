import Database from 'better-sqlite3'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { loadJob } from './job'
import { openRecord } from './open'

it('a record of the first version is brought up without loss', () => {
  const old = mkdtempSync(join(tmpdir(), 'neat-bracket-'))
  const first = new Database(join(old, 'record.sqlite'))
  first.exec(readFileSync('src/server/db/migrations/0001-record.sql', 'utf8'))
  first.pragma('user_version = 1')
  first.exec(`INSERT INTO job VALUES ('j', 1, 'Yard', '', 'metric', '', '{}', '{}', '2026-01-01T00:00:00Z', 'Lead');
    INSERT INTO device VALUES ('j', 'd', 0, '01', 'Door', 'c', '[]', 's', 'marine', 'c', '[]',
      '{"heightM":3,"wish":{"place":"left","kept":true,"reason":"","agreedBy":""}}', '{"fixingId":"screw-8"}',
      '{"segments":[{"id":"a"},{"id":"b"}],"leadLengthM":null}', '{"cameraEndId":"plug","headEndId":"jack"}',
      NULL, NULL, '{}');
    INSERT INTO step_record VALUES ('j', 'd', 'test/unpack', 0, 'done', NULL, NULL, '', '2026-01-01T00:00:00Z', 'Lead');
    INSERT INTO supply VALUES ('j', 's', 0, 'Switch', 'switch-8'), ('j', 't', 1, 'Other', 'dc-12-5');
    INSERT INTO fault VALUES ('j', 'f', 0, 'd', NULL, NULL, 'Loose', 'looks', 'loose', '', NULL, 'open',
      '2026-01-01T00:00:00Z', 'Lead', '[]');
    INSERT INTO photo_content VALUES ('${'a'.repeat(64)}', 'image/png', 1, 1, 1);
    INSERT INTO photo VALUES ('j', 'p', 0, '${'a'.repeat(64)}', 'd', NULL, 'f', 'crack',
      '2026-01-01T00:00:00Z', 'Lead');
    INSERT INTO device VALUES ('j', 'e', 1, 'E3', 'Gate', 'c', '[]', 's', 'marine', 'c', '[]',
      NULL, NULL, NULL, NULL, NULL, NULL, '{}')`)
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
    hole: 'new',
    holeMm: null,
    pole: null,
  })
  expect(now.prepare('SELECT wind_ms FROM job').pluck().get()).toBe(45)
  expect(now.pragma('user_version', { simple: true })).toBe(22)
  expect(now.prepare('SELECT terrain, mains_v, keep_photo_place FROM job').get()).toEqual({
    terrain: 'open',
    mains_v: 230,
    keep_photo_place: 0,
  })
  expect(JSON.parse(now.prepare('SELECT route FROM device').pluck().get() as string)).toEqual({
    laid: 'new',
    forced: null,
    lead: null,
    segments: [
      { id: 'a', conduitName: '' },
      { id: 'b', conduitName: '' },
    ],
  })
  expect(JSON.parse(now.prepare('SELECT terminate FROM device').pluck().get() as string)).toEqual({
    cameraEndId: 'plug',
    headEndId: 'jack',
    recorderId: null,
    recorderPort: null,
  })
  expect(now.prepare('SELECT count(*) FROM device WHERE route IS NOT NULL').pluck().get()).toBe(1)
  expect(now.prepare('SELECT step_id, title FROM step_record').all()).toEqual([
    { step_id: 'bench/unpack', title: '' },
  ])
  expect(loadJob(now, 'j')!.job).toMatchObject({ ownParts: [], runs: [], handed: [] })
  // Supplies are equipment, marked after the highest E there is; what hung on devices hangs on them still.
  const { equipment, devices, photos, faults } = loadJob(now, 'j')!.job
  const rack = { name: 'Switch', partId: 'switch-8', mark: 'E4', state: 'new', stands: 'head end' }
  expect(equipment).toMatchObject([
    { id: 's', ...rack },
    { id: 't', mark: 'E5', replaces: null },
  ])
  expect(equipment[0]!.details.passwordReplaced).toBe(false)
  expect(devices.map(({ state, replaces, partsKept }) => [state, replaces, partsKept])).toEqual([
    ['new', null, 0],
    ['new', null, 0],
  ])
  expect([photos[0]!.faultId, photos[0]!.marks, faults[0]!.deviceId]).toEqual(['f', [], 'd'])
  const { policies } = loadJob(now, 'j')!.job
  expect(policies).toEqual({
    memoryCard: 'up there',
    film: 'last',
    deadTails: 'cap',
    headEndWith: 'jack',
    tape: 'self-amalgamating',
  })
  expect(loadJob(now, 'j')!.job.floorHeightsM).toEqual({ upper: null, loft: null, roof: null })
  expect(now.pragma('foreign_key_check')).toEqual([])
  now.close()
  rmSync(old, { recursive: true })
})
