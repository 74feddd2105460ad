-- +goose Up
-- A young team leaves out ball screens and double teams, unless its coach turns them on.
-- Teams that stand already keep what they had.
ALTER TABLE teams ADD COLUMN all_actions boolean NOT NULL DEFAULT false;
UPDATE teams SET all_actions = true WHERE ages IN ('7-8', '9-11');

-- +goose Down
ALTER TABLE teams DROP COLUMN all_actions;
