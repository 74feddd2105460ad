-- name: AllPlayers :many
SELECT * FROM players WHERE program_id = $1 ORDER BY id;

-- name: AllPractices :many
SELECT * FROM practices WHERE program_id = $1 ORDER BY starts_at, id;

-- name: AllGames :many
SELECT * FROM games WHERE program_id = $1 ORDER BY starts_at, id;

-- name: AllGameCounts :many
SELECT * FROM game_counts WHERE program_id = $1 AND game_id = $2 ORDER BY at, id;

-- name: EventsPage :many
-- The log in pages by id.
SELECT * FROM rep_events WHERE program_id = $1 AND id > sqlc.arg(after) ORDER BY id LIMIT sqlc.arg(size);
