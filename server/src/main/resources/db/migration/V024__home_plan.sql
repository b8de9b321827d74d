-- What a client has, has bought or does not want of the home plan.
CREATE TABLE home_plan_item (
  client_id UUID NOT NULL REFERENCES client (id),
  item      VARCHAR(20) NOT NULL,
  standing  VARCHAR(20) NOT NULL,
  said_at   TIMESTAMP WITH TIME ZONE NOT NULL,
  said_to   VARCHAR(40) NOT NULL,
  PRIMARY KEY (client_id, item)
);
