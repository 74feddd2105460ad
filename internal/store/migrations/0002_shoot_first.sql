-- +goose Up

-- Which answer to a guard who goes under a ball screen a team teaches first.
ALTER TABLE teams ADD COLUMN shoot_first boolean NOT NULL DEFAULT false;

-- +goose Down
ALTER TABLE teams DROP COLUMN shoot_first;
