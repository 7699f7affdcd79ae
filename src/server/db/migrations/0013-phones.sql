-- Phones that may reach the record over the network. Secrets and tokens are kept as SHA-256 alone.
CREATE TABLE pairing (
  secret_hash TEXT PRIMARY KEY,
  lapses_at TEXT NOT NULL
) STRICT;
CREATE TABLE phone (
  id TEXT PRIMARY KEY,
  token_hash TEXT NOT NULL UNIQUE,
  name TEXT NOT NULL,
  paired_at TEXT NOT NULL,
  seen_at TEXT NOT NULL
) STRICT;
