-- +goose Up

-- What is left of players who were erased, and of reps that are older than the program
-- keeps them: how often a team made which read, without who, when or where.
CREATE TABLE kept_counts (
    program_id uuid NOT NULL,
    team_id    uuid NOT NULL,
    role       text NOT NULL,
    expected   text NOT NULL,
    made       text NOT NULL,
    rung       text NOT NULL,
    reps       integer NOT NULL,
    PRIMARY KEY (program_id, team_id, role, expected, made, rung),
    FOREIGN KEY (program_id, team_id) REFERENCES teams (program_id, id) ON DELETE CASCADE
);

-- For how many months single reps are kept; for good when null.
ALTER TABLE programs ADD COLUMN keep_months integer CHECK (keep_months BETWEEN 6 AND 120);

-- A viewer sees and changes nothing.
ALTER TABLE staff DROP CONSTRAINT staff_role_check;
ALTER TABLE staff ADD CONSTRAINT staff_role_check CHECK (role IN ('head', 'assistant', 'viewer'));

-- One-time links to an account. The link itself is shown once and kept as a hash.
CREATE TABLE invitations (
    id         uuid PRIMARY KEY,
    program_id uuid NOT NULL REFERENCES programs ON DELETE CASCADE,
    email      text NOT NULL,
    role       text NOT NULL CHECK (role IN ('head', 'assistant', 'viewer')),
    key_hash   bytea NOT NULL UNIQUE,
    invited_by text NOT NULL,
    until      timestamptz NOT NULL,
    used_at    timestamptz,
    UNIQUE (program_id, id)
);

-- Who changed what; the sentence names no player.
CREATE TABLE audit (
    id         uuid PRIMARY KEY,
    program_id uuid NOT NULL REFERENCES programs ON DELETE CASCADE,
    at         timestamptz NOT NULL,
    who        text NOT NULL,
    team       text NOT NULL,
    what       text NOT NULL
);
CREATE INDEX audit_program ON audit (program_id, at DESC);

-- +goose Down
DROP TABLE audit, invitations, kept_counts;
ALTER TABLE staff DROP CONSTRAINT staff_role_check;
ALTER TABLE staff ADD CONSTRAINT staff_role_check CHECK (role IN ('head', 'assistant'));
ALTER TABLE programs DROP COLUMN keep_months;
