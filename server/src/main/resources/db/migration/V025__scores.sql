-- What was scored of a client on a day.
CREATE TABLE score_sheet (
  client_id UUID NOT NULL REFERENCES client (id),
  on_date   DATE NOT NULL,
  scores    BINARY VARYING(20000) NOT NULL,
  version   INT NOT NULL,
  saved_at  TIMESTAMP WITH TIME ZONE NOT NULL,
  saved_by  VARCHAR(40) NOT NULL,
  PRIMARY KEY (client_id, on_date)
);
