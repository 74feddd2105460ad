-- +goose Up
-- The second cue that was noted with a rep; empty where none was.
ALTER TABLE rep_events ADD COLUMN second_cue text NOT NULL DEFAULT '';

-- A cue has several right answers: whether what was made is one of them is kept, too.
ALTER TABLE kept_counts ADD COLUMN is_right boolean;
UPDATE kept_counts SET is_right = (made = expected);
ALTER TABLE kept_counts ALTER COLUMN is_right SET NOT NULL;
ALTER TABLE kept_counts DROP CONSTRAINT kept_counts_pkey;
ALTER TABLE kept_counts ADD PRIMARY KEY (program_id, team_id, role, expected, made, rung, is_right);

-- +goose Down
CREATE TEMPORARY TABLE kept_sums AS
    SELECT program_id, team_id, role, expected, made, rung, sum(reps)::integer AS reps
    FROM kept_counts GROUP BY program_id, team_id, role, expected, made, rung;
DELETE FROM kept_counts;
ALTER TABLE kept_counts DROP COLUMN is_right;
ALTER TABLE kept_counts ADD PRIMARY KEY (program_id, team_id, role, expected, made, rung);
INSERT INTO kept_counts SELECT * FROM kept_sums;
DROP TABLE kept_sums;
ALTER TABLE rep_events DROP COLUMN second_cue;
