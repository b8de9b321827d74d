-- What is added to a signed record; nothing of it is ever changed.
CREATE TABLE addendum (
  id       UUID PRIMARY KEY,
  visit_id UUID NOT NULL REFERENCES visit (id),
  kind     VARCHAR(20) NOT NULL,
  why      VARCHAR(200) NOT NULL,
  words    VARCHAR(4000) NOT NULL,
  at       TIMESTAMP WITH TIME ZONE NOT NULL,
  who      VARCHAR(40) NOT NULL
);
CREATE INDEX addendum_by_visit ON addendum (visit_id, at);

-- Clients who wait for a slot.
CREATE TABLE waiting (
  id        UUID PRIMARY KEY,
  client_id UUID NOT NULL REFERENCES client (id),
  since     TIMESTAMP WITH TIME ZONE NOT NULL,
  wish      VARCHAR(200) NOT NULL,
  who       VARCHAR(40) NOT NULL
);
CREATE INDEX waiting_by_client ON waiting (client_id);
