-- +goose Up
-- Who passes, defends, screens, rebounds and logs in a block, by name.
ALTER TABLE blocks ADD COLUMN staff jsonb NOT NULL DEFAULT '[]';

-- +goose Down
ALTER TABLE blocks DROP COLUMN staff;
