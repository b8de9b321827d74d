-- A practice's own products that are no peels: every version as its label was entered.
CREATE TABLE care_product (
  code     VARCHAR(12) NOT NULL,
  version  INT         NOT NULL CHECK (version >= 1),
  label    JSON        NOT NULL,
  retired  BOOLEAN     DEFAULT FALSE NOT NULL,
  saved_at TIMESTAMP WITH TIME ZONE NOT NULL,
  saved_by VARCHAR(40) NOT NULL REFERENCES account (username),
  PRIMARY KEY (code, version)
);

-- Packs of them, counted in the product's own units.
CREATE TABLE care_lot (
  id                   UUID PRIMARY KEY,
  code                 VARCHAR(12) NOT NULL,
  number               VARCHAR(40) NOT NULL,
  expires              DATE NOT NULL,
  opened               DATE,
  months_after_opening INT CHECK (months_after_opening BETWEEN 1 AND 60),
  units                DOUBLE PRECISION NOT NULL CHECK (units BETWEEN 1 AND 100000),
  units_left           DOUBLE PRECISION NOT NULL CHECK (units_left >= 0),
  version              INT DEFAULT 1 NOT NULL,
  UNIQUE (code, number)
);

-- Written sheets of the practice: every version stays, the newest counts.
CREATE TABLE protocol (
  id       UUID        NOT NULL,
  version  INT         NOT NULL CHECK (version >= 1),
  sheet    JSON        NOT NULL,
  retired  BOOLEAN     DEFAULT FALSE NOT NULL,
  saved_at TIMESTAMP WITH TIME ZONE NOT NULL,
  saved_by VARCHAR(40) NOT NULL REFERENCES account (username),
  PRIMARY KEY (id, version)
);

-- The steps of a visit as they are planned, from a protocol or composed.
CREATE TABLE visit_script (
  visit_id UUID PRIMARY KEY REFERENCES visit (id) ON DELETE CASCADE,
  script   JSON NOT NULL,
  version  INT  NOT NULL CHECK (version >= 1),
  saved_at TIMESTAMP WITH TIME ZONE NOT NULL,
  saved_by VARCHAR(40) NOT NULL REFERENCES account (username)
);

-- Millilitres of one layer, where the steps say so.
ALTER TABLE visit_plan ADD COLUMN layer_ml DOUBLE PRECISION CHECK (layer_ml > 0);

-- What lies on the trolley already.
CREATE TABLE trolley_tick (
  visit_id UUID        NOT NULL REFERENCES visit (id) ON DELETE CASCADE,
  item     VARCHAR(40) NOT NULL,
  PRIMARY KEY (visit_id, item)
);

-- Whether a step of the weeks before was kept, as told at the visit.
CREATE TABLE prep_told (
  visit_id UUID        NOT NULL REFERENCES visit (id) ON DELETE CASCADE,
  item     VARCHAR(30) NOT NULL,
  kept     BOOLEAN     NOT NULL,
  PRIMARY KEY (visit_id, item)
);
