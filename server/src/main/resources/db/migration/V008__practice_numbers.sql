-- The numbers that an alarm shows. None until somebody sets them.
CREATE TABLE practice_number (
    kind   ENUM('EMERGENCY', 'POISON_CENTRE') PRIMARY KEY,
    number VARCHAR(30) NOT NULL,
    set_by VARCHAR(40) NOT NULL,
    set_at TIMESTAMP WITH TIME ZONE NOT NULL
);
