-- The audit trail: entries that are only ever added, what each is about in a table of its own, and a
-- chain of hashes over them in the order in which they were sealed.
CREATE TABLE audit_entry (
  id      BIGINT GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  at      TIMESTAMP WITH TIME ZONE NOT NULL,
  who     VARCHAR(40)   NOT NULL,
  what    VARCHAR(60)   NOT NULL,
  details VARCHAR(1000) NOT NULL,
  address VARCHAR(60)   NOT NULL
);
CREATE TABLE audit_subject (
  subject VARCHAR(60) NOT NULL,
  entry   BIGINT      NOT NULL REFERENCES audit_entry (id),
  PRIMARY KEY (subject, entry)
);
CREATE TABLE audit_seal (
  no    BIGINT PRIMARY KEY,
  entry BIGINT   NOT NULL UNIQUE REFERENCES audit_entry (id),
  hash  CHAR(64) NOT NULL
);

INSERT INTO audit_entry (at, who, what, details, address)
SELECT at, who, what, details, '' FROM audit ORDER BY id;
-- Both count from 1 in the same order.
INSERT INTO audit_subject (subject, entry)
SELECT DISTINCT SUBSTRING(one.word FROM 1 FOR 60), one.place FROM (
  SELECT REGEXP_SUBSTR(subject, '[^ ]+', 1, 1) AS word, ROW_NUMBER() OVER (ORDER BY id) AS place FROM audit
  UNION
  SELECT REGEXP_SUBSTR(subject, '[^ ]+', 1, 2), ROW_NUMBER() OVER (ORDER BY id) FROM audit
) one WHERE one.word IS NOT NULL AND one.word <> '';
INSERT INTO audit_subject (subject, entry)
SELECT DISTINCT CAST(visit.client_id AS VARCHAR), audit_subject.entry FROM audit_subject
JOIN visit ON CAST(visit.id AS VARCHAR) = audit_subject.subject
WHERE NOT EXISTS (
  SELECT 1 FROM audit_subject known
  WHERE known.subject = CAST(visit.client_id AS VARCHAR) AND known.entry = audit_subject.entry
);
DROP TABLE audit;

CREATE TRIGGER audit_entry_stays BEFORE UPDATE, DELETE ON audit_entry FOR EACH ROW
CALL 'ivesk.server.app.AppendOnlyAudit';
CREATE TRIGGER audit_subject_stays BEFORE UPDATE, DELETE ON audit_subject FOR EACH ROW
CALL 'ivesk.server.app.AppendOnlyAudit';
CREATE TRIGGER audit_seal_stays BEFORE UPDATE, DELETE ON audit_seal FOR EACH ROW
CALL 'ivesk.server.app.AppendOnlyAudit';
