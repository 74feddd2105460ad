-- +goose Up

-- How fast the team's players move, where it has figures of its own; the age
-- band's otherwise.
ALTER TABLE teams ADD COLUMN pace jsonb;

-- +goose Down
ALTER TABLE teams DROP COLUMN pace;
