-- A CHECK ... IN is bound to the connection that made it, and fails for good once the pool retires
-- that connection. The kinds become types; each column is made anew, which drops its check.
ALTER TABLE account ADD COLUMN new_role ENUM('OWNER', 'SUPERVISOR', 'THERAPIST', 'DESK');
UPDATE account SET new_role = role;
ALTER TABLE account DROP COLUMN role;
ALTER TABLE account ALTER COLUMN new_role RENAME TO role;
ALTER TABLE account ALTER COLUMN role SET NOT NULL;

ALTER TABLE settlement ADD COLUMN new_kind ENUM('OVERRIDE', 'CLEARANCE');
UPDATE settlement SET new_kind = kind;
ALTER TABLE settlement DROP COLUMN kind;
ALTER TABLE settlement ALTER COLUMN new_kind RENAME TO kind;
ALTER TABLE settlement ALTER COLUMN kind SET NOT NULL;

ALTER TABLE patch_test_read DROP PRIMARY KEY;
ALTER TABLE patch_test_read ADD COLUMN new_due ENUM('AT_24_H', 'AT_48_H');
ALTER TABLE patch_test_read ADD COLUMN new_result ENUM('NOTHING', 'REACTION');
UPDATE patch_test_read SET new_due = due, new_result = result;
ALTER TABLE patch_test_read DROP COLUMN due;
ALTER TABLE patch_test_read DROP COLUMN result;
ALTER TABLE patch_test_read ALTER COLUMN new_due RENAME TO due;
ALTER TABLE patch_test_read ALTER COLUMN new_result RENAME TO result;
ALTER TABLE patch_test_read ALTER COLUMN due SET NOT NULL;
ALTER TABLE patch_test_read ALTER COLUMN result SET NOT NULL;
ALTER TABLE patch_test_read ADD PRIMARY KEY (patch_test_id, due);
