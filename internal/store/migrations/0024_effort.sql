-- +goose Up
-- How hard a practice was, from 0 to 10, told after it: for the team, and by a player alone.
ALTER TABLE practices ADD COLUMN effort smallint CHECK (effort BETWEEN 0 AND 10);
ALTER TABLE attendance ADD COLUMN effort smallint CHECK (effort BETWEEN 0 AND 10);

-- +goose Down
ALTER TABLE practices DROP COLUMN effort;
ALTER TABLE attendance DROP COLUMN effort;
