-- +goose Up

-- A team's own way of a motion offense, and its principles in the coach's words.
ALTER TABLE teams ADD COLUMN offense jsonb, ADD COLUMN principles jsonb;

-- +goose Down
ALTER TABLE teams DROP COLUMN offense, DROP COLUMN principles;
