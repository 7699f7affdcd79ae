-- The record of every site. A job's tables hold what the Job schema holds, by the same names; plans of a device's
-- stages are JSON because they are read and written whole and validated by the schema.

CREATE TABLE job (
  id TEXT PRIMARY KEY,
  revision INTEGER NOT NULL,
  name TEXT NOT NULL,
  address TEXT NOT NULL,
  units TEXT NOT NULL,
  head_end TEXT NOT NULL,
  policies TEXT NOT NULL CHECK (json_valid(policies)),
  allowances TEXT NOT NULL CHECK (json_valid(allowances)),
  created_at TEXT NOT NULL,
  created_by TEXT NOT NULL
) STRICT;

CREATE TABLE supply (
  job_id TEXT NOT NULL REFERENCES job (id),
  id TEXT NOT NULL,
  position INTEGER NOT NULL,
  name TEXT NOT NULL,
  part_id TEXT NOT NULL,
  PRIMARY KEY (job_id, id)
) STRICT;

CREATE TABLE device (
  job_id TEXT NOT NULL REFERENCES job (id),
  id TEXT NOT NULL,
  position INTEGER NOT NULL,
  mark TEXT NOT NULL,
  name TEXT NOT NULL,
  camera_id TEXT NOT NULL,
  mount_ids TEXT NOT NULL CHECK (json_valid(mount_ids)),
  surface_id TEXT NOT NULL,
  exposure TEXT NOT NULL,
  cable_id TEXT NOT NULL,
  accessory_ids TEXT NOT NULL CHECK (json_valid(accessory_ids)),
  sight TEXT CHECK (json_valid(sight)),
  mount TEXT CHECK (json_valid(mount)),
  route TEXT CHECK (json_valid(route)),
  terminate TEXT CHECK (json_valid(terminate)),
  seal TEXT CHECK (json_valid(seal)),
  power TEXT CHECK (json_valid(power)),
  details TEXT NOT NULL CHECK (json_valid(details)),
  PRIMARY KEY (job_id, id)
) STRICT;

CREATE TABLE step_record (
  job_id TEXT NOT NULL,
  device_id TEXT NOT NULL,
  step_id TEXT NOT NULL,
  position INTEGER NOT NULL,
  state TEXT NOT NULL,
  value REAL,
  choice TEXT,
  note TEXT NOT NULL,
  at TEXT NOT NULL,
  by TEXT NOT NULL,
  PRIMARY KEY (job_id, device_id, step_id),
  FOREIGN KEY (job_id, device_id) REFERENCES device (job_id, id)
) STRICT;

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
  PRIMARY KEY (job_id, id),
  FOREIGN KEY (job_id, device_id) REFERENCES device (job_id, id)
) STRICT;

CREATE TABLE photo_content (
  sha256 TEXT PRIMARY KEY,
  type TEXT NOT NULL,
  bytes INTEGER NOT NULL,
  width INTEGER NOT NULL,
  height INTEGER NOT NULL
) STRICT;

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
  FOREIGN KEY (job_id, device_id) REFERENCES device (job_id, id),
  FOREIGN KEY (job_id, fault_id) REFERENCES fault (job_id, id)
) STRICT;

-- Every command ever applied, in order: history, and the memory that makes sending twice harmless.
CREATE TABLE command (
  seq INTEGER PRIMARY KEY,
  id TEXT NOT NULL UNIQUE,
  job_id TEXT NOT NULL REFERENCES job (id),
  type TEXT NOT NULL,
  at TEXT NOT NULL,
  by TEXT NOT NULL,
  body TEXT NOT NULL CHECK (json_valid(body)),
  applied_at TEXT NOT NULL
) STRICT;

CREATE INDEX command_job ON command (job_id, seq);
