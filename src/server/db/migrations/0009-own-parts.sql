-- Parts entered from a maker's sheet, each whole in one column; what a step asked when it was recorded.

CREATE TABLE own_part (
  job_id TEXT NOT NULL REFERENCES job (id),
  id TEXT NOT NULL,
  position INTEGER NOT NULL,
  kind TEXT NOT NULL,
  name TEXT NOT NULL,
  part TEXT NOT NULL CHECK (json_valid(part)),
  PRIMARY KEY (job_id, id)
) STRICT;
CREATE INDEX own_part_order ON own_part (job_id, position);

ALTER TABLE step_record ADD COLUMN title TEXT NOT NULL DEFAULT '';
