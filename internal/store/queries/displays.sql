-- name: InsertDisplay :exec
INSERT INTO displays (id, program_id, team_id, practice_id, code_hash, code_until, until) VALUES ($1, $2, $3, $4, $5, $6, $7);

-- name: PairDisplay :one
-- unscoped: a display has nobody signed in; its code finds the practice, once.
UPDATE displays SET paired_at = sqlc.arg(now)::timestamptz WHERE code_hash = $1 AND paired_at IS NULL AND code_until > sqlc.arg(now)::timestamptz RETURNING *;

-- name: PairedDisplay :one
-- unscoped: the session of a paired display, from which the scope is taken.
SELECT * FROM displays WHERE id = $1 AND paired_at IS NOT NULL AND until > sqlc.arg(now);

-- name: DisplaysOfPractice :many
SELECT * FROM displays WHERE program_id = $1 AND practice_id = $2 AND paired_at IS NOT NULL AND until > sqlc.arg(now) ORDER BY paired_at;

-- name: EndDisplay :execrows
DELETE FROM displays WHERE program_id = $1 AND practice_id = $2 AND id = $3;

-- name: ForgetDisplays :exec
-- unscoped: what has run out, of everybody.
DELETE FROM displays WHERE until < sqlc.arg(now) OR (paired_at IS NULL AND code_until < sqlc.arg(now));

-- name: SetRound :exec
INSERT INTO rounds (program_id, practice_id, step, seed, action, question, is_told, again, at) VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9)
ON CONFLICT (program_id, practice_id) DO UPDATE SET step = EXCLUDED.step, seed = EXCLUDED.seed, action = EXCLUDED.action, question = EXCLUDED.question,
    is_told = EXCLUDED.is_told, again = EXCLUDED.again, at = EXCLUDED.at;

-- name: RoundOfPractice :one
SELECT * FROM rounds WHERE program_id = $1 AND practice_id = $2 AND at > sqlc.arg(since);

-- name: EndRound :exec
DELETE FROM rounds WHERE program_id = $1 AND practice_id = $2;
