-- Two charts of one person made one, so that it can be undone: which rows came over.
ALTER TABLE client ADD COLUMN joined_into UUID;
CREATE INDEX client_joined ON client (joined_into);

CREATE TABLE chart_merge (
  id               UUID PRIMARY KEY,
  kept             UUID NOT NULL REFERENCES client (id),
  other            UUID NOT NULL,
  at               TIMESTAMP WITH TIME ZONE NOT NULL,
  who              VARCHAR(40) NOT NULL,
  allergies_before VARCHAR(400) NOT NULL,
  comforts_before  VARCHAR(400) NOT NULL,
  other_archived   DATE,
  undone_at        TIMESTAMP WITH TIME ZONE,
  undone_by        VARCHAR(40)
);
CREATE INDEX chart_merge_by_kept ON chart_merge (kept);
CREATE INDEX chart_merge_by_other ON chart_merge (other);

CREATE TABLE merged_row (
  merge_id UUID NOT NULL REFERENCES chart_merge (id),
  moved    VARCHAR(60) NOT NULL,
  row_key  VARCHAR(200) NOT NULL,
  PRIMARY KEY (merge_id, moved, row_key)
);

-- Who asked that a chart be erased which must still be kept.
CREATE TABLE erasure_request (
  client_id UUID PRIMARY KEY REFERENCES client (id),
  asked_on  DATE NOT NULL,
  who       VARCHAR(40) NOT NULL
);
