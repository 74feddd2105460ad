-- name: SetTrainerLink :exec
-- A new link ends the one before.
INSERT INTO trainer_links (program_id, player_id, key_hash, made_at) VALUES ($1, $2, $3, $4)
ON CONFLICT (program_id, player_id) DO UPDATE SET key_hash = EXCLUDED.key_hash, made_at = EXCLUDED.made_at;

-- name: DeleteTrainerLink :execrows
DELETE FROM trainer_links WHERE program_id = $1 AND player_id = $2;

-- name: TrainerLink :one
SELECT made_at FROM trainer_links WHERE program_id = $1 AND player_id = $2;

-- name: TrainerByKey :one
-- The key says whose it is, and finds the scope.
SELECT l.program_id, l.player_id, p.team_id FROM trainer_links l
JOIN players p ON p.program_id = l.program_id AND p.id = l.player_id WHERE l.key_hash = $1;

-- name: InsertTrainerAnswer :execrows
INSERT INTO trainer_answers (program_id, player_id, id, screen, cue, step, seed, expected, choice, is_right, is_late, seconds, at)
VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13) ON CONFLICT DO NOTHING;

-- name: TrainerAnswers :many
SELECT * FROM trainer_answers WHERE program_id = $1 AND player_id = $2 ORDER BY at, id;

-- name: DeleteTrainerAnswersBefore :exec
DELETE FROM trainer_answers WHERE program_id = $1 AND at < sqlc.arg(before);
