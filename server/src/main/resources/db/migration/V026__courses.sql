-- A series that is booked as one.
CREATE TABLE course (
  id          UUID PRIMARY KEY,
  client_id   UUID NOT NULL REFERENCES client (id),
  region      VARCHAR(20) NOT NULL,
  formulas    VARCHAR(30) NOT NULL,
  maintenance BOOLEAN NOT NULL,
  at_hour     TIME NOT NULL,
  minutes     INT NOT NULL,
  room        VARCHAR(20) NOT NULL,
  therapist   VARCHAR(40) NOT NULL REFERENCES account (username),
  paused      VARCHAR(200),
  made_at     TIMESTAMP WITH TIME ZONE NOT NULL,
  made_by     VARCHAR(40) NOT NULL
);
CREATE INDEX course_by_client ON course (client_id);

-- Each peel of it, with the visit that was booked for it.
CREATE TABLE course_peel (
  course_id UUID NOT NULL REFERENCES course (id),
  number    INT NOT NULL,
  visit_id  UUID NOT NULL UNIQUE REFERENCES visit (id),
  formula   VARCHAR(12) NOT NULL,
  layers    INT NOT NULL,
  whys      VARCHAR(200) NOT NULL,
  skipped   VARCHAR(200),
  PRIMARY KEY (course_id, number)
);
