-- The sheet as it was given to a client; nothing of it is ever changed.
CREATE TABLE given_sheet (
  id       UUID PRIMARY KEY,
  visit_id UUID NOT NULL REFERENCES visit (id),
  way      VARCHAR(20) NOT NULL,
  language VARCHAR(10) NOT NULL,
  sheet    JSON NOT NULL,
  at       TIMESTAMP WITH TIME ZONE NOT NULL,
  who      VARCHAR(40) NOT NULL
);
CREATE INDEX given_sheet_by_visit ON given_sheet (visit_id, at);
