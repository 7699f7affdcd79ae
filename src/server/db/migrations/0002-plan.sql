-- The plan: where the site lies, the drawing under each floor, and the things that stand on it. Devices keep where they
-- stand in their sight plan.

ALTER TABLE job ADD COLUMN site TEXT CHECK (json_valid(site));

CREATE TABLE background (
  job_id TEXT NOT NULL REFERENCES job (id),
  floor TEXT NOT NULL,
  position INTEGER NOT NULL,
  name TEXT NOT NULL,
  sha256 TEXT NOT NULL REFERENCES photo_content (sha256),
  width_px INTEGER NOT NULL,
  height_px INTEGER NOT NULL,
  x REAL NOT NULL,
  y REAL NOT NULL,
  metres_per_px REAL NOT NULL,
  turn_deg REAL NOT NULL,
  PRIMARY KEY (job_id, floor)
) STRICT;

CREATE TABLE plan_thing (
  job_id TEXT NOT NULL REFERENCES job (id),
  id TEXT NOT NULL,
  position INTEGER NOT NULL,
  floor TEXT NOT NULL,
  kind TEXT NOT NULL,
  thing TEXT NOT NULL CHECK (json_valid(thing)),
  PRIMARY KEY (job_id, id)
) STRICT;

UPDATE device SET sight = json_set(sight, '$.place', json('null'), '$.wish.at', json('null')) WHERE sight IS NOT NULL;
