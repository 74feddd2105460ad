-- +goose Up

-- A round of questions that a practice's second screens show: which, and how far it is.
-- Nothing in it is about a player.
CREATE TABLE rounds (
    program_id  uuid NOT NULL,
    practice_id uuid NOT NULL,
    step        integer NOT NULL,
    seed        bigint NOT NULL,
    situation   text NOT NULL, -- empty where it is mixed
    question    integer NOT NULL,
    is_told     boolean NOT NULL,
    again       integer NOT NULL, -- how often the answer has been shown again
    at          timestamptz NOT NULL,
    PRIMARY KEY (program_id, practice_id),
    FOREIGN KEY (program_id, practice_id) REFERENCES practices (program_id, id) ON DELETE CASCADE
);

-- +goose Down
DROP TABLE rounds;
