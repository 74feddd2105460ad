-- +goose Up
-- What a team's players shoot at home by their private links, and what they tell of it. It is
-- theirs, goes with them, and stands apart from what a coach has logged.
ALTER TABLE teams ADD COLUMN home_drills text[] NOT NULL DEFAULT '{}';
CREATE TABLE home_shots (
    program_id  uuid NOT NULL,
    player_id   uuid NOT NULL,
    id          uuid NOT NULL,
    drill       text NOT NULL,
    at          timestamptz NOT NULL,
    right_made  integer NOT NULL,
    right_tried integer NOT NULL,
    left_made   integer NOT NULL,
    left_tried  integer NOT NULL,
    PRIMARY KEY (program_id, player_id, id),
    FOREIGN KEY (program_id, player_id) REFERENCES players (program_id, id) ON DELETE CASCADE
);

-- +goose Down
DROP TABLE home_shots;
ALTER TABLE teams DROP COLUMN home_drills;
