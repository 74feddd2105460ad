-- name: GamesOfTeam :many
SELECT g.*, (SELECT count(*) FROM rep_events e WHERE e.program_id = g.program_id AND e.practice_id = g.id AND e.kind = 'rep') AS reps
FROM games g WHERE g.program_id = $1 AND g.team_id = $2 ORDER BY g.starts_at DESC;

-- name: Game :one
SELECT * FROM games WHERE program_id = $1 AND team_id = $2 AND id = $3;

-- name: NextGame :one
SELECT * FROM games WHERE program_id = $1 AND team_id = $2 AND starts_at >= sqlc.arg(since) ORDER BY starts_at LIMIT 1;

-- name: InsertGame :exec
INSERT INTO games (id, program_id, team_id, starts_at, opponent, away, note, mixes, terms) VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9);

-- name: UpdateGame :execrows
UPDATE games SET starts_at = $4, opponent = $5, away = $6, note = $7, mixes = $8, terms = $9, version = version + 1
WHERE program_id = $1 AND team_id = $2 AND id = $3 AND version = sqlc.arg(version);

-- name: DeleteGame :execrows
DELETE FROM games WHERE program_id = $1 AND team_id = $2 AND id = $3;

-- name: InsertGameCounts :many
-- Sent twice, counted once. Answers with what is new.
INSERT INTO game_counts (program_id, game_id, id, at, what, by, observer_id, device)
SELECT sqlc.arg(program_id)::uuid, sqlc.arg(game_id)::uuid, unnest(sqlc.arg(id)::uuid[]), unnest(sqlc.arg(at)::timestamptz[]),
    unnest(sqlc.arg(what)::text[]), unnest(sqlc.arg(by)::integer[]), sqlc.arg(observer_id)::uuid, unnest(sqlc.arg(device)::text[])
ON CONFLICT (id) DO NOTHING RETURNING id;

-- name: GameCounts :many
-- With what they add up, so that a device knows which of its own are in it.
SELECT what, sum(by)::integer AS n, array_agg(id)::uuid[] AS ids FROM game_counts WHERE program_id = $1 AND game_id = $2 GROUP BY what;
