-- What a chart shows of a signed treatment without reading all of its entries again. Those signed
-- before are read as before.
ALTER TABLE treatment ADD COLUMN signed_at TIMESTAMP WITH TIME ZONE;
ALTER TABLE treatment ADD COLUMN formula VARCHAR(12);
ALTER TABLE treatment ADD COLUMN phototype VARCHAR(4);
-- Today asks for what is open among all that ever was.
CREATE INDEX treatment_open ON treatment (closed_at, opened_at);
