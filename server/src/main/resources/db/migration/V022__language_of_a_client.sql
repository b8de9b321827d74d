-- In which language a client is given a sheet.
ALTER TABLE client ADD COLUMN language VARCHAR(2) DEFAULT 'EN' NOT NULL;
