-- Boxes and drums of cable that are begun.

CREATE TABLE cable_box (
  job_id TEXT NOT NULL REFERENCES job (id),
  id TEXT NOT NULL,
  position INTEGER NOT NULL,
  name TEXT NOT NULL,
  cable_id TEXT NOT NULL,
  left_m REAL NOT NULL CHECK (left_m > 0),
  PRIMARY KEY (job_id, id)
) STRICT;
CREATE INDEX cable_box_order ON cable_box (job_id, position);
