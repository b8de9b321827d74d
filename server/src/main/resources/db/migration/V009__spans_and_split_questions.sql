-- A planned stay in the sun has a first and a last day.
ALTER TABLE screening_answer ADD COLUMN until_date DATE;

-- Questions that could have two answers became two questions. What was not chosen was not asked.
INSERT INTO screening_answer (visit_id, question, choice, on_date, zones, families, answered_at, answered_by)
SELECT visit_id, 'RETINOL', 'used', on_date, zones, families, answered_at, answered_by
FROM screening_answer WHERE question = 'RETINOID' AND choice = 'retinol';
INSERT INTO screening_answer (visit_id, question, choice, on_date, zones, families, answered_at, answered_by)
SELECT visit_id, 'RETINOL', 'none', on_date, zones, families, answered_at, answered_by
FROM screening_answer WHERE question = 'RETINOID' AND choice = 'none';
DELETE FROM screening_answer WHERE question = 'RETINOID' AND choice = 'retinol';
UPDATE screening_answer SET choice = 'used' WHERE question = 'RETINOID' AND choice = 'prescribed';

INSERT INTO screening_answer (visit_id, question, choice, on_date, zones, families, answered_at, answered_by)
SELECT visit_id, 'ABLATIVE_LASER', 'done', on_date, zones, families, answered_at, answered_by
FROM screening_answer WHERE question = 'ENERGY' AND choice = 'ablative';
INSERT INTO screening_answer (visit_id, question, choice, on_date, zones, families, answered_at, answered_by)
SELECT visit_id, 'ABLATIVE_LASER', 'none', on_date, zones, families, answered_at, answered_by
FROM screening_answer WHERE question = 'ENERGY' AND choice = 'none';
DELETE FROM screening_answer WHERE question = 'ENERGY' AND choice = 'ablative';
