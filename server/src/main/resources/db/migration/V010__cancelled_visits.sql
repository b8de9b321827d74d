-- A visit that does not take place stays in the book, with why.
ALTER TABLE visit ADD COLUMN cancelled_at TIMESTAMP WITH TIME ZONE;
ALTER TABLE visit ADD COLUMN cancelled_why VARCHAR(200);
