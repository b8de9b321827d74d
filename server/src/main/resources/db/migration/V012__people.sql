-- Who works here: locked or not, what the licence covers, a PIN for shared tablets, a second factor,
-- a one-time code by which somebody sets a password of their own.
ALTER TABLE account ADD COLUMN locked BOOLEAN DEFAULT FALSE NOT NULL;
ALTER TABLE account ADD COLUMN scope ENUM('VERY_SUPERFICIAL', 'SUPERFICIAL', 'MEDIUM_SUPERVISED');
ALTER TABLE account ADD COLUMN pin_hash VARCHAR(200);
ALTER TABLE account ADD COLUMN factor_key VARCHAR(64);
ALTER TABLE account ADD COLUMN factor_step BIGINT DEFAULT 0 NOT NULL;
ALTER TABLE account ADD COLUMN code_hash VARCHAR(200);
ALTER TABLE account ADD COLUMN code_until TIMESTAMP WITH TIME ZONE;

-- What takes the second factor's place once, when the telephone is lost.
CREATE TABLE recovery_code (
  username VARCHAR(40)  NOT NULL REFERENCES account (username),
  hash     VARCHAR(200) NOT NULL,
  PRIMARY KEY (username, hash)
);

-- Every sign-in that holds or held. The token itself is known to the browser alone.
CREATE TABLE sign_in (
  id         UUID PRIMARY KEY,
  username   VARCHAR(40)  NOT NULL REFERENCES account (username),
  token_hash CHAR(64)     NOT NULL,
  device     CHAR(64)     NOT NULL,
  browser    VARCHAR(200) NOT NULL,
  address    VARCHAR(60)  NOT NULL,
  since      TIMESTAMP WITH TIME ZONE NOT NULL,
  seen       TIMESTAMP WITH TIME ZONE NOT NULL,
  ended      TIMESTAMP WITH TIME ZONE
);
CREATE INDEX sign_in_of_account ON sign_in (username, ended);
CREATE INDEX sign_in_of_device ON sign_in (device, username);

-- Where somebody has given the whole password lately, the PIN does.
CREATE TABLE known_device (
  device   CHAR(64)    NOT NULL,
  username VARCHAR(40) NOT NULL REFERENCES account (username),
  proven   TIMESTAMP WITH TIME ZONE NOT NULL,
  PRIMARY KEY (device, username)
);

-- It held the key of the cookies that were signed before; they open nothing any more.
DROP TABLE secret;

-- The practice itself: one row, made at the first start.
CREATE TABLE practice (
  one     BOOLEAN DEFAULT TRUE PRIMARY KEY CHECK (one),
  name    VARCHAR(120) NOT NULL,
  town    VARCHAR(120) NOT NULL,
  zone    VARCHAR(60)  NOT NULL,
  rooms   VARCHAR(400) NOT NULL,
  opening VARCHAR(80)  NOT NULL
);
CREATE TABLE closed_day (
  on_date DATE PRIMARY KEY,
  why VARCHAR(80) NOT NULL
);
