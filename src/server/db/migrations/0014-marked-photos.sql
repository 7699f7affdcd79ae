-- What is drawn on photos, and steps that are left to a colleague.

ALTER TABLE photo ADD COLUMN marks TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(marks));
CREATE TABLE handed_step (
  job_id TEXT NOT NULL REFERENCES job (id),
  device_id TEXT NOT NULL,
  step_id TEXT NOT NULL,
  position INTEGER NOT NULL,
  title TEXT NOT NULL,
  colleague TEXT NOT NULL,
  note TEXT NOT NULL,
  at TEXT NOT NULL,
  by TEXT NOT NULL,
  PRIMARY KEY (job_id, device_id, step_id)
) STRICT;
CREATE INDEX handed_step_order ON handed_step (job_id, position);
