-- Consult: answers of a versioned questionnaire.
CREATE TABLE consult (
  visit_id UUID PRIMARY KEY REFERENCES visit (id),
  answers  JSON NOT NULL,
  version  INT  NOT NULL,
  saved_at TIMESTAMP WITH TIME ZONE NOT NULL,
  saved_by VARCHAR(40) NOT NULL
);

CREATE TABLE screening_answer (
  visit_id    UUID        NOT NULL REFERENCES visit (id),
  question    VARCHAR(40) NOT NULL,
  choice      VARCHAR(20) NOT NULL,
  on_date     DATE,
  answered_at TIMESTAMP WITH TIME ZONE NOT NULL,
  answered_by VARCHAR(40) NOT NULL,
  PRIMARY KEY (visit_id, question)
);

CREATE TABLE settlement (
  visit_id UUID          NOT NULL REFERENCES visit (id),
  kind     VARCHAR(12)   NOT NULL CHECK (kind IN ('OVERRIDE', 'CLEARANCE')),
  rule_id  VARCHAR(40)   NOT NULL,
  said     VARCHAR(400)  NOT NULL,
  words    VARCHAR(1000) NOT NULL,
  by_whom  VARCHAR(120)  NOT NULL,
  at       TIMESTAMP WITH TIME ZONE NOT NULL
);
CREATE INDEX settlement_by_visit ON settlement (visit_id);

CREATE TABLE consent (
  client_id UUID         NOT NULL REFERENCES client (id),
  family    VARCHAR(30)  NOT NULL,
  signed_on DATE         NOT NULL,
  signed_by VARCHAR(120) NOT NULL,
  guardian  VARCHAR(120),
  witness   VARCHAR(40)  NOT NULL
);
CREATE INDEX consent_by_client ON consent (client_id);

CREATE TABLE visit_plan (
  visit_id        UUID PRIMARY KEY REFERENCES visit (id),
  formula_code    VARCHAR(12)  NOT NULL,
  reason          VARCHAR(1000) NOT NULL DEFAULT '',
  layers_planned  INT,
  layers_at_most  INT,
  contact_seconds INT,
  kept            BOOLEAN      NOT NULL DEFAULT FALSE,
  chosen_at       TIMESTAMP WITH TIME ZONE NOT NULL,
  chosen_by       VARCHAR(40)  NOT NULL
);

CREATE TABLE plan_zone (
  visit_id UUID        NOT NULL REFERENCES visit_plan (visit_id) ON DELETE CASCADE,
  position INT         NOT NULL,
  zone     VARCHAR(20) NOT NULL,
  PRIMARY KEY (visit_id, position)
);
