CREATE TABLE treatment (
  id        UUID PRIMARY KEY,
  visit_id  UUID NOT NULL UNIQUE REFERENCES visit (id),
  opened_at TIMESTAMP WITH TIME ZONE NOT NULL,
  closed_at TIMESTAMP WITH TIME ZONE
);

-- Append only. The order of a treatment is its seq; an event's id counts once.
CREATE TABLE treatment_event (
  treatment_id UUID        NOT NULL REFERENCES treatment (id),
  seq          INT         NOT NULL,
  event_id     UUID        NOT NULL UNIQUE,
  happened_at  TIMESTAMP WITH TIME ZONE NOT NULL,
  recorded_at  TIMESTAMP WITH TIME ZONE NOT NULL,
  who          VARCHAR(40) NOT NULL,
  fact         JSON        NOT NULL,
  PRIMARY KEY (treatment_id, seq)
);
