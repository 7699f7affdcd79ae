-- Cables that are no camera's own; whether a camera's cable was there before; where an analogue picture goes.

CREATE TABLE run (
  job_id TEXT NOT NULL REFERENCES job (id),
  id TEXT NOT NULL,
  position INTEGER NOT NULL,
  mark TEXT NOT NULL,
  name TEXT NOT NULL,
  state TEXT NOT NULL,
  replaces TEXT,
  carries TEXT NOT NULL,
  cable_id TEXT NOT NULL,
  from_id TEXT NOT NULL,
  from_port TEXT,
  from_end_id TEXT,
  to_id TEXT NOT NULL,
  to_port TEXT,
  to_end_id TEXT,
  segments TEXT NOT NULL CHECK (json_valid(segments)),
  cords_m REAL NOT NULL,
  lead_length_m REAL,
  PRIMARY KEY (job_id, id)
) STRICT;
CREATE INDEX run_order ON run (job_id, position);

UPDATE device SET route = json_set(route, '$.laid', 'new') WHERE route IS NOT NULL;
UPDATE device SET terminate = json_set(terminate, '$.recorderId', json('null'), '$.recorderPort', json('null'))
WHERE terminate IS NOT NULL;
