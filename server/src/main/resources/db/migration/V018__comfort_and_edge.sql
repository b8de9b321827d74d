-- What the couch must respect, by name; more stands in the client's own words beside it.
ALTER TABLE client ADD COLUMN comforts VARCHAR(120) DEFAULT '' NOT NULL;

-- How far a peel of the face goes, and fades, where it was chosen by hand.
ALTER TABLE visit_plan ADD COLUMN edge VARCHAR(20);
