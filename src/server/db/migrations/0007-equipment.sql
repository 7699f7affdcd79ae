-- Equipment beside cameras, which supplies are too; what was there before and stays or goes. Steps, photos and faults
-- belong to whatever has a mark, cameras and equipment alike: the commands see to it that it is there.

ALTER TABLE device ADD COLUMN state TEXT NOT NULL DEFAULT 'new';
ALTER TABLE device ADD COLUMN replaces TEXT;

CREATE TABLE equipment (
  job_id TEXT NOT NULL REFERENCES job (id),
  id TEXT NOT NULL,
  position INTEGER NOT NULL,
  mark TEXT NOT NULL,
  name TEXT NOT NULL,
  state TEXT NOT NULL,
  replaces TEXT,
  part_id TEXT NOT NULL,
  stands TEXT NOT NULL,
  exposure TEXT NOT NULL,
  details TEXT NOT NULL CHECK (json_valid(details)),
  PRIMARY KEY (job_id, id)
) STRICT;

INSERT INTO equipment
SELECT
  job_id, id, position,
  'E' || (
    row_number() OVER (PARTITION BY job_id ORDER BY position) + coalesce((
      SELECT max(CAST(substr(mark, 2) AS INTEGER)) FROM device
      WHERE device.job_id = supply.job_id AND mark GLOB 'E[0-9]*' AND substr(mark, 2) NOT GLOB '*[^0-9]*'
        AND length(mark) <= 5
    ), 0)
  ),
  name, 'new', NULL, part_id, 'head end', 'dry indoors',
  '{"serial":"","hardwareAddress":"","networkAddress":"","firmware":"","passwordReplaced":false}'
FROM supply;
DROP TABLE supply;
CREATE INDEX equipment_order ON equipment (job_id, position);

ALTER TABLE step_record RENAME TO step_record_before;
CREATE TABLE step_record (
  job_id TEXT NOT NULL REFERENCES job (id),
  device_id TEXT NOT NULL,
  step_id TEXT NOT NULL,
  position INTEGER NOT NULL,
  state TEXT NOT NULL,
  value REAL,
  choice TEXT,
  note TEXT NOT NULL,
  at TEXT NOT NULL,
  by TEXT NOT NULL,
  PRIMARY KEY (job_id, device_id, step_id)
) STRICT;
INSERT INTO step_record
SELECT job_id, device_id, step_id, position, state, value, choice, note, at, by FROM step_record_before;
DROP TABLE step_record_before;
CREATE INDEX step_record_order ON step_record (job_id, position);

ALTER TABLE photo RENAME TO photo_before;
ALTER TABLE fault RENAME TO fault_before;
CREATE TABLE fault (
  job_id TEXT NOT NULL REFERENCES job (id),
  id TEXT NOT NULL,
  position INTEGER NOT NULL,
  device_id TEXT,
  stage TEXT,
  origin TEXT,
  title TEXT NOT NULL,
  severity TEXT NOT NULL,
  cause TEXT NOT NULL,
  note TEXT NOT NULL,
  due TEXT,
  state TEXT NOT NULL,
  raised_at TEXT NOT NULL,
  raised_by TEXT NOT NULL,
  events TEXT NOT NULL CHECK (json_valid(events)),
  PRIMARY KEY (job_id, id)
) STRICT;
INSERT INTO fault
SELECT
  job_id, id, position, device_id, stage, origin, title, severity, cause, note, due, state, raised_at, raised_by, events
FROM fault_before;
CREATE TABLE photo (
  job_id TEXT NOT NULL REFERENCES job (id),
  id TEXT NOT NULL,
  position INTEGER NOT NULL,
  sha256 TEXT NOT NULL REFERENCES photo_content (sha256),
  device_id TEXT,
  step_id TEXT,
  fault_id TEXT,
  caption TEXT NOT NULL,
  at TEXT NOT NULL,
  by TEXT NOT NULL,
  PRIMARY KEY (job_id, id),
  FOREIGN KEY (job_id, fault_id) REFERENCES fault (job_id, id)
) STRICT;
INSERT INTO photo
SELECT job_id, id, position, sha256, device_id, step_id, fault_id, caption, at, by FROM photo_before;
DROP TABLE photo_before;
DROP TABLE fault_before;
CREATE INDEX fault_order ON fault (job_id, position);
CREATE INDEX photo_order ON photo (job_id, position);
