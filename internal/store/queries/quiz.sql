-- name: SetPlayerLink :exec
-- A new link ends the one before, which can be brought back while nothing else has happened.
INSERT INTO player_links (program_id, player_id, key_hash, made_at) VALUES ($1, $2, $3, $4)
ON CONFLICT (program_id, player_id) DO UPDATE SET key_hash = EXCLUDED.key_hash, made_at = EXCLUDED.made_at, ended_at = NULL,
    replaced_hash = CASE WHEN player_links.ended_at IS NULL THEN player_links.key_hash END,
    replaced_made_at = CASE WHEN player_links.ended_at IS NULL THEN player_links.made_at END;

-- name: EndPlayerLink :execrows
UPDATE player_links SET ended_at = $3, replaced_hash = NULL, replaced_made_at = NULL
WHERE program_id = $1 AND player_id = $2 AND ended_at IS NULL;

-- name: RestorePlayerLink :execrows
-- Brings back the link that was ended, or the one that was replaced.
UPDATE player_links SET key_hash = coalesce(replaced_hash, key_hash), made_at = coalesce(replaced_made_at, made_at),
    ended_at = NULL, replaced_hash = NULL, replaced_made_at = NULL
WHERE program_id = $1 AND player_id = $2 AND (ended_at IS NOT NULL OR replaced_hash IS NOT NULL);

-- name: PlayerLinksOfTeam :many
SELECT p.id AS player_id, l.made_at FROM players p
LEFT JOIN player_links l ON l.program_id = p.program_id AND l.player_id = p.id AND l.ended_at IS NULL
WHERE p.program_id = $1 AND p.team_id = $2;

-- name: PlayerLink :one
SELECT made_at FROM player_links WHERE program_id = $1 AND player_id = $2 AND ended_at IS NULL;

-- name: PlayerByLink :one
-- The key says whose it is, and finds the scope.
SELECT l.program_id, l.player_id, p.team_id FROM player_links l
JOIN players p ON p.program_id = l.program_id AND p.id = l.player_id WHERE l.key_hash = $1 AND l.ended_at IS NULL;

-- name: InsertQuizAnswer :execrows
INSERT INTO quiz_answers (program_id, player_id, id, action, cue, step, seed, expected, choice, is_right, is_late, seconds, at)
VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13) ON CONFLICT DO NOTHING;

-- name: QuizAnswers :many
SELECT * FROM quiz_answers WHERE program_id = $1 AND player_id = $2 ORDER BY at, id;

-- name: DeleteQuizAnswersBefore :exec
DELETE FROM quiz_answers WHERE program_id = $1 AND at < sqlc.arg(before);
