-- What a job comes to in a line, as it was last computed: for the list of jobs, which must not wait for every job to be
-- computed again. A summary counts for one revision and one build of the application only.

CREATE TABLE job_summary (
  job_id TEXT PRIMARY KEY REFERENCES job (id),
  revision INTEGER NOT NULL,
  build TEXT NOT NULL,
  body TEXT NOT NULL CHECK (json_valid(body))
) STRICT;
