-- Fields that two people set at once, signed records, and the revision that each command led to. Lists are kept in the
-- order of `position`, a key that only grows: a row that changes keeps its own, whatever stands before it.

CREATE TABLE conflict (
  job_id TEXT NOT NULL REFERENCES job (id),
  id TEXT NOT NULL,
  position INTEGER NOT NULL,
  path TEXT NOT NULL,
  newer TEXT NOT NULL CHECK (json_valid(newer)),
  older TEXT NOT NULL CHECK (json_valid(older)),
  PRIMARY KEY (job_id, id)
) STRICT;

CREATE TABLE signed_record (
  job_id TEXT NOT NULL REFERENCES job (id),
  id TEXT NOT NULL,
  position INTEGER NOT NULL,
  device_id TEXT,
  signed_by TEXT NOT NULL,
  versions TEXT NOT NULL CHECK (json_valid(versions)),
  body TEXT NOT NULL CHECK (json_valid(body)),
  sha256 TEXT NOT NULL,
  at TEXT NOT NULL,
  by TEXT NOT NULL,
  PRIMARY KEY (job_id, id)
) STRICT;

-- Null for commands of before revisions were kept: a page that stands further back reads the job whole.
ALTER TABLE command ADD COLUMN revision INTEGER;
CREATE INDEX command_revision ON command (job_id, revision);

CREATE INDEX supply_order ON supply (job_id, position);
CREATE INDEX background_order ON background (job_id, position);
CREATE INDEX plan_thing_order ON plan_thing (job_id, position);
CREATE INDEX device_order ON device (job_id, position);
CREATE INDEX step_record_order ON step_record (job_id, position);
CREATE INDEX fault_order ON fault (job_id, position);
CREATE INDEX photo_order ON photo (job_id, position);
