-- +goose Up
ALTER TABLE practised RENAME TO practiced;

-- +goose Down
ALTER TABLE practiced RENAME TO practised;
