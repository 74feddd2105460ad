-- +goose Up

-- A program's own drills, each as the core reads it. Archived ones are kept for
-- the practices that ran them.
CREATE TABLE drills (
    id         uuid PRIMARY KEY,
    program_id uuid NOT NULL REFERENCES programs ON DELETE CASCADE,
    drill      jsonb NOT NULL,
    archived   boolean NOT NULL DEFAULT false,
    version    integer NOT NULL DEFAULT 1,
    changed_at timestamptz NOT NULL DEFAULT now(),
    UNIQUE (program_id, id)
);

-- +goose Down
DROP TABLE drills;
