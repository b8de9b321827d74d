-- How the practice is reached, and how its clients are.
ALTER TABLE practice ADD COLUMN telephone VARCHAR(30);
ALTER TABLE practice ADD COLUMN hours VARCHAR(120);
ALTER TABLE client ADD COLUMN telephone VARCHAR(30);
ALTER TABLE client ADD COLUMN mail VARCHAR(254);
ALTER TABLE chart_merge ADD COLUMN telephone_before VARCHAR(30);
ALTER TABLE chart_merge ADD COLUMN mail_before VARCHAR(254);
