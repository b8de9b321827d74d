-- A client's own phone or clicker, for one treatment: entered once by a short code, then known by a
-- token. Neither is kept as it is, only its hash.
CREATE TABLE handset (
  id           UUID PRIMARY KEY,
  treatment_id UUID        NOT NULL REFERENCES treatment (id),
  code_hash    VARCHAR(64) NOT NULL UNIQUE,
  shown_at     TIMESTAMP WITH TIME ZONE NOT NULL,
  token_hash   VARCHAR(64) UNIQUE,
  entered_at   TIMESTAMP WITH TIME ZONE
);
CREATE INDEX handset_treatment ON handset (treatment_id);
