-- How it is in the days after a peel, as it was told: by the client, or to somebody who asked.
CREATE TABLE check_in (
  id         UUID PRIMARY KEY,
  visit_id   UUID NOT NULL REFERENCES visit (id),
  told_at    TIMESTAMP WITH TIME ZONE NOT NULL,
  told_on    DATE NOT NULL,
  told_to    VARCHAR(40) NOT NULL,
  by_client  BOOLEAN NOT NULL,
  told       BINARY VARYING(20000) NOT NULL,
  severity   VARCHAR(20) NOT NULL,
  rules      VARCHAR(400) NOT NULL,
  photo      BINARY VARYING(2000000),
  UNIQUE (visit_id, told_at)
);

-- Asked for, and nobody answered.
CREATE TABLE check_in_try (
  visit_id UUID NOT NULL REFERENCES visit (id),
  at       TIMESTAMP WITH TIME ZONE NOT NULL,
  on_day   DATE NOT NULL,
  who      VARCHAR(40) NOT NULL,
  PRIMARY KEY (visit_id, at)
);

-- Stands open until it is closed with a note.
CREATE TABLE red_flag (
  id          UUID PRIMARY KEY,
  visit_id    UUID NOT NULL REFERENCES visit (id),
  check_in_id UUID NOT NULL REFERENCES check_in (id),
  opened_on   DATE NOT NULL,
  severity    VARCHAR(20) NOT NULL,
  closed_at   TIMESTAMP WITH TIME ZONE,
  closed_by   VARCHAR(80),
  note        VARCHAR(1000),
  harmless    BOOLEAN DEFAULT FALSE NOT NULL,
  CHECK ((closed_at IS NULL) = (closed_by IS NULL) AND (closed_at IS NULL) = (note IS NULL))
);
CREATE INDEX red_flag_by_visit ON red_flag (visit_id);

-- Peels whose check-ins are not over: the day of the peel, and the last planned check-in.
CREATE TABLE after_peel (
  visit_id UUID PRIMARY KEY REFERENCES visit (id),
  peel_on  DATE NOT NULL,
  last_on  DATE NOT NULL
);
CREATE INDEX after_peel_by_last ON after_peel (last_on);

-- The client's own page of the days after; its word is known to the client alone.
CREATE TABLE diary (
  visit_id   UUID PRIMARY KEY REFERENCES visit (id),
  token_hash VARCHAR(64) NOT NULL UNIQUE,
  made_at    TIMESTAMP WITH TIME ZONE NOT NULL,
  last_on    DATE NOT NULL
);

-- What a mail service would be given to send; there is none here.
CREATE TABLE outbox (
  id        UUID PRIMARY KEY,
  at        TIMESTAMP WITH TIME ZONE NOT NULL,
  visit_id  UUID NOT NULL REFERENCES visit (id),
  recipient VARCHAR(80) NOT NULL,
  subject   VARCHAR(200) NOT NULL,
  body      VARCHAR(2000) NOT NULL
);
CREATE INDEX outbox_by_time ON outbox (at);
CREATE INDEX outbox_by_visit ON outbox (visit_id);
