-- A client who was made up for the tour, and is thrown away after it.
CREATE TABLE tour (
  client_id UUID PRIMARY KEY REFERENCES client (id) ON DELETE CASCADE,
  visit_id  UUID NOT NULL
);
-- How long charts are kept after the last visit, years.
ALTER TABLE practice ADD COLUMN keep_years INT DEFAULT 10 NOT NULL;
