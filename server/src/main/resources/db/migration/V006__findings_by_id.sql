-- A settlement names its finding by id; what was said stays beside it, for whoever reads the record.
-- Those given before lift nothing any more.
ALTER TABLE settlement ADD COLUMN finding VARCHAR(600) DEFAULT '' NOT NULL;
ALTER TABLE settlement ADD COLUMN on_date DATE;
ALTER TABLE settlement ADD COLUMN entered_by VARCHAR(40) DEFAULT '' NOT NULL;

-- What was said in an entry of the audit trail, apart from the ids of what it is about.
ALTER TABLE audit ADD COLUMN details VARCHAR(1000) DEFAULT '' NOT NULL;
