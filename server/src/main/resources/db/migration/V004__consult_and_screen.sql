-- Clients: found by any part of the name, in lower case and without accents.
ALTER TABLE client ADD COLUMN sun VARCHAR(200) DEFAULT '' NOT NULL;
ALTER TABLE client ADD COLUMN archived_on DATE;
ALTER TABLE client ADD COLUMN version INT DEFAULT 1 NOT NULL;
ALTER TABLE client ADD COLUMN search VARCHAR(160) DEFAULT '' NOT NULL;
UPDATE client SET search = LOWER(name);

-- What a practice does otherwise than usual.
CREATE TABLE policy (
  question VARCHAR(30) PRIMARY KEY,
  answer   VARCHAR(20) NOT NULL,
  set_by   VARCHAR(40) NOT NULL REFERENCES account (username),
  set_at   TIMESTAMP WITH TIME ZONE NOT NULL
);

ALTER TABLE screening_answer ADD COLUMN zones VARCHAR(400) DEFAULT '' NOT NULL;
ALTER TABLE screening_answer ADD COLUMN families VARCHAR(200) DEFAULT '' NOT NULL;

-- A signature as it was drawn (strokes of points) and as a picture, or a name that was typed.
CREATE TABLE signature (
  id      UUID PRIMARY KEY,
  name    VARCHAR(120) NOT NULL,
  strokes JSON,
  picture BLOB,
  at      TIMESTAMP WITH TIME ZONE NOT NULL
);
ALTER TABLE consent ADD COLUMN id UUID DEFAULT RANDOM_UUID() NOT NULL;
ALTER TABLE consent ADD PRIMARY KEY (id);
ALTER TABLE consent ADD COLUMN text_version INT DEFAULT 1 NOT NULL;
ALTER TABLE consent ADD COLUMN signature_id UUID REFERENCES signature (id);
ALTER TABLE consent ADD COLUMN guardian_signature_id UUID REFERENCES signature (id);
ALTER TABLE consent ADD COLUMN withdrawn_on DATE;
ALTER TABLE consent ADD COLUMN withdrawn_by VARCHAR(40);
ALTER TABLE consent ADD COLUMN withdrawn_why VARCHAR(400);

CREATE TABLE patch_test (
  id        UUID PRIMARY KEY,
  client_id UUID NOT NULL REFERENCES client (id),
  family    VARCHAR(30) NOT NULL,
  placed_at TIMESTAMP WITH TIME ZONE NOT NULL,
  placed_by VARCHAR(40) NOT NULL,
  site      VARCHAR(80) NOT NULL
);
CREATE INDEX patch_test_by_client ON patch_test (client_id);

CREATE TABLE patch_test_read (
  patch_test_id UUID NOT NULL REFERENCES patch_test (id),
  due           VARCHAR(10) NOT NULL CHECK (due IN ('AT_24_H', 'AT_48_H')),
  result        VARCHAR(10) NOT NULL CHECK (result IN ('NOTHING', 'REACTION')),
  read_at       TIMESTAMP WITH TIME ZONE NOT NULL,
  read_by       VARCHAR(40) NOT NULL,
  PRIMARY KEY (patch_test_id, due)
);

-- Kinds of home products, which the practice edits; a consult copies what it picks.
CREATE TABLE product_kind (
  id      UUID PRIMARY KEY,
  name    VARCHAR(120) NOT NULL UNIQUE,
  actives VARCHAR(200) NOT NULL
);
INSERT INTO product_kind (id, name, actives) VALUES
  (RANDOM_UUID(), 'Retinol cream or serum', 'RETINOL'),
  (RANDOM_UUID(), 'Prescribed retinoid cream', 'PRESCRIBED_RETINOID'),
  (RANDOM_UUID(), 'Acid wash or toner', 'ACID'),
  (RANDOM_UUID(), 'Acid serum or mask', 'ACID'),
  (RANDOM_UUID(), 'Scrub or brush', 'SCRUB'),
  (RANDOM_UUID(), 'Benzoyl peroxide gel', 'BENZOYL_PEROXIDE'),
  (RANDOM_UUID(), 'Azelaic lotion', 'INHIBITOR'),
  (RANDOM_UUID(), 'Brightening cream with inhibitor', 'INHIBITOR'),
  (RANDOM_UUID(), 'Steroid cream', 'STEROID'),
  (RANDOM_UUID(), 'Fluorouracil or imiquimod cream', 'CYTOSTATIC'),
  (RANDOM_UUID(), 'Mild cleanser', ''),
  (RANDOM_UUID(), 'Moisturiser', ''),
  (RANDOM_UUID(), 'Mineral sunscreen', '');
