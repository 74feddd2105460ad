-- +goose Up

-- When the clock of a practice was first started: its whole length counts from there.
ALTER TABLE practices ADD COLUMN began_at timestamptz;
UPDATE practices SET began_at = starts_at WHERE status <> 'planned';

-- +goose Down
ALTER TABLE practices DROP COLUMN began_at;
