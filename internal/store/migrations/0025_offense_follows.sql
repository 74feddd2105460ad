-- +goose Up
-- A team may play another team's motion offense with its changes.
ALTER TABLE teams ADD COLUMN offense_follows uuid,
    ADD FOREIGN KEY (program_id, offense_follows) REFERENCES teams (program_id, id)
        ON DELETE SET NULL (offense_follows) DEFERRABLE INITIALLY DEFERRED;
CREATE INDEX teams_offense_follows ON teams (program_id, offense_follows) WHERE offense_follows IS NOT NULL;

-- +goose Down
ALTER TABLE teams DROP COLUMN offense_follows;
