-- +goose Up

-- A link that is ended or replaced can be brought back, so that a slip of the thumb does not lock players out.
ALTER TABLE trainer_links
    ADD COLUMN ended_at timestamptz,
    ADD COLUMN replaced_hash bytea,
    ADD COLUMN replaced_made_at timestamptz;

-- +goose Down
DELETE FROM trainer_links WHERE ended_at IS NOT NULL;
ALTER TABLE trainer_links DROP COLUMN ended_at, DROP COLUMN replaced_hash, DROP COLUMN replaced_made_at;
