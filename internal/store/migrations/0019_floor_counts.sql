-- +goose Up
-- What is counted in live blocks: how possessions end, touches, assists. An event, never
-- changed; what was counted too much is taken off by a count of -1.
CREATE TABLE floor_counts (
    id          uuid PRIMARY KEY,
    program_id  uuid NOT NULL,
    practice_id uuid NOT NULL,
    block_id    uuid NOT NULL,
    rep_no      integer NOT NULL CHECK (rep_no >= 0),
    at          timestamptz NOT NULL,
    what        text NOT NULL,
    by          integer NOT NULL CHECK (by IN (1, -1)),
    observer_id uuid NOT NULL,
    device      text NOT NULL,
    FOREIGN KEY (program_id, practice_id) REFERENCES practices (program_id, id) ON DELETE CASCADE
);
CREATE INDEX floor_counts_practice ON floor_counts (program_id, practice_id);

-- +goose Down
DROP TABLE floor_counts;
