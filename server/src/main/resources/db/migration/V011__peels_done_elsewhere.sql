-- What a client had done elsewhere, as a record that was seen or as it was told. What was entered
-- by mistake is taken out of account, not deleted.
CREATE TABLE outside_peel (
  id UUID PRIMARY KEY,
  client_id UUID NOT NULL REFERENCES client (id),
  formula VARCHAR(12) NOT NULL,
  region VARCHAR(40) NOT NULL,
  done_on DATE NOT NULL,
  outcome VARCHAR(40) NOT NULL,
  seen BOOLEAN NOT NULL,
  higher_because VARCHAR(200),
  entered_at TIMESTAMP WITH TIME ZONE NOT NULL,
  entered_by VARCHAR(64) NOT NULL,
  withdrawn_at TIMESTAMP WITH TIME ZONE
);
CREATE INDEX outside_peel_of_client ON outside_peel (client_id);
