CREATE TABLE account (
  username      VARCHAR(40)  PRIMARY KEY,
  name          VARCHAR(80)  NOT NULL,
  password_hash VARCHAR(200) NOT NULL,
  role          VARCHAR(12)  NOT NULL CHECK (role IN ('OWNER', 'SUPERVISOR', 'THERAPIST', 'DESK'))
);

-- Restricted substances that the supervising clinician has opened for the practice.
CREATE TABLE clinician_opening (
  substance VARCHAR(20) PRIMARY KEY,
  opened_by VARCHAR(40) NOT NULL REFERENCES account (username),
  opened_at TIMESTAMP WITH TIME ZONE NOT NULL
);

-- Keys that must outlive a restart, so that a power cut signs nobody out.
CREATE TABLE secret (
  name  VARCHAR(40)  PRIMARY KEY,
  word VARCHAR(100) NOT NULL
);

CREATE TABLE client (
  id            UUID         PRIMARY KEY,
  name          VARCHAR(120) NOT NULL,
  date_of_birth DATE         NOT NULL,
  occupation    VARCHAR(120) NOT NULL DEFAULT '',
  height_cm     DOUBLE PRECISION CHECK (height_cm BETWEEN 50 AND 250),
  weight_kg     DOUBLE PRECISION CHECK (weight_kg BETWEEN 10 AND 350),
  allergies     VARCHAR(400) NOT NULL DEFAULT '',
  comfort       VARCHAR(400) NOT NULL DEFAULT '',
  guardian      VARCHAR(120) NOT NULL DEFAULT ''
);
CREATE INDEX client_by_name ON client (name);

CREATE TABLE visit (
  id         UUID        PRIMARY KEY,
  client_id  UUID        NOT NULL REFERENCES client (id),
  starts_at  TIMESTAMP WITH TIME ZONE NOT NULL,
  minutes    INT         NOT NULL CHECK (minutes BETWEEN 10 AND 240),
  room       VARCHAR(20) NOT NULL,
  therapist  VARCHAR(40) NOT NULL REFERENCES account (username)
);
CREATE INDEX visit_by_start ON visit (starts_at);
CREATE INDEX visit_by_client ON visit (client_id);

CREATE TABLE audit (
  id      BIGINT GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  at      TIMESTAMP WITH TIME ZONE NOT NULL,
  who     VARCHAR(40)  NOT NULL,
  what    VARCHAR(60)  NOT NULL,
  subject VARCHAR(400) NOT NULL
);
