-- Each name from each of its letters on, so that any part of a name is found by an index: the name
-- itself (place 0), from a later word on (1), from inside a word on (2).
CREATE TABLE client_name_part (
  archived  BOOLEAN     NOT NULL,
  place     TINYINT     NOT NULL,
  part      VARCHAR(60) NOT NULL,
  client_id UUID        NOT NULL REFERENCES client (id) ON DELETE CASCADE
);
CREATE INDEX client_name_part_found ON client_name_part (archived, place, part, client_id);
CREATE INDEX client_name_part_of_client ON client_name_part (client_id);

INSERT INTO client_name_part (archived, place, part, client_id)
SELECT DISTINCT archived_on IS NOT NULL,
  CASE WHEN x = 1 THEN 0 WHEN SUBSTRING(search FROM x - 1 FOR 1) IN (' ', '-', '''') THEN 1 ELSE 2 END,
  SUBSTRING(search FROM x FOR 60), id
FROM client, SYSTEM_RANGE(1, 160)
WHERE x <= CHAR_LENGTH(search) AND SUBSTRING(search FROM x FOR 1) NOT IN (' ', '-', '''');

-- How many came to stand in the archive is counted without those who did not.
CREATE INDEX client_archived ON client (archived_on);

-- Reads that are due are looked for by when the test was placed.
CREATE INDEX patch_test_by_time ON patch_test (placed_at);
