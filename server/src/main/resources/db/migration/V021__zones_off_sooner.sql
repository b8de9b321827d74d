-- Zones that come off before the others, by their time from the first touch.
CREATE TABLE plan_sooner (
  visit_id UUID NOT NULL REFERENCES visit_plan (visit_id) ON DELETE CASCADE,
  zone     VARCHAR(20) NOT NULL,
  seconds  INT NOT NULL CHECK (seconds BETWEEN 30 AND 10800),
  PRIMARY KEY (visit_id, zone)
);
