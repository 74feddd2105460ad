-- +goose Up
-- A player may show the cue, and an own block may be live play.
ALTER TABLE blocks
    ADD COLUMN player_shows boolean NOT NULL DEFAULT false,
    ADD COLUMN play boolean NOT NULL DEFAULT false;

-- +goose Down
ALTER TABLE blocks DROP COLUMN player_shows, DROP COLUMN play;
