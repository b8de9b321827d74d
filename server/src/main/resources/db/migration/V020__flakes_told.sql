-- From which day to which skin flaked after a peel, as the client told it later; 0 and 0 for none.
CREATE TABLE flakes_told (
  visit_id  UUID PRIMARY KEY REFERENCES visit (id),
  first_day INT NOT NULL,
  last_day  INT NOT NULL,
  told_at   TIMESTAMP WITH TIME ZONE NOT NULL,
  told_to   VARCHAR(40) NOT NULL,
  CHECK (0 <= first_day AND first_day <= last_day AND last_day <= 30)
);
