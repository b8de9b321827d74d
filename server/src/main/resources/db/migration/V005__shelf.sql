-- A practice's own products: every version as its label was entered, the newest counts.
CREATE TABLE product (
  code     VARCHAR(12) NOT NULL,
  version  INT         NOT NULL CHECK (version >= 1),
  label    JSON        NOT NULL,
  retired  BOOLEAN     DEFAULT FALSE NOT NULL,
  saved_at TIMESTAMP WITH TIME ZONE NOT NULL,
  saved_by VARCHAR(40) NOT NULL REFERENCES account (username),
  PRIMARY KEY (code, version)
);

-- Bottles, of shipped formulas and of own products.
CREATE TABLE lot (
  id                   UUID PRIMARY KEY,
  formula_code         VARCHAR(12) NOT NULL,
  number               VARCHAR(40) NOT NULL,
  received             DATE NOT NULL,
  expires              DATE NOT NULL,
  opened               DATE,
  months_after_opening INT CHECK (months_after_opening BETWEEN 1 AND 60),
  volume_ml            DOUBLE PRECISION NOT NULL CHECK (volume_ml BETWEEN 1 AND 5000),
  left_ml              DOUBLE PRECISION NOT NULL CHECK (left_ml >= 0),
  version              INT DEFAULT 1 NOT NULL,
  UNIQUE (formula_code, number)
);

-- Stages after the first, in their order.
CREATE TABLE plan_stage (
  visit_id     UUID        NOT NULL REFERENCES visit_plan (visit_id) ON DELETE CASCADE,
  position     INT         NOT NULL,
  formula_code VARCHAR(12) NOT NULL,
  zones        VARCHAR(400) DEFAULT '' NOT NULL,
  PRIMARY KEY (visit_id, position)
);
