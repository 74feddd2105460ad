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

-- name: InsertImport :exec
INSERT INTO imports (id, program_id, at, who, teams, drills, templates, players, practices, games, events)
VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11);

-- name: ImportsOfProgram :many
SELECT * FROM imports WHERE program_id = $1 ORDER BY at DESC;

-- name: ImportToUndo :one
SELECT * FROM imports WHERE program_id = $1 AND id = $2 FOR UPDATE;

-- name: DeleteImport :exec
DELETE FROM imports WHERE program_id = $1 AND id = $2;

-- name: DeleteDrills :exec
DELETE FROM drills WHERE program_id = $1 AND id = ANY (sqlc.arg(ids)::uuid[]);

-- name: DeleteTemplates :exec
DELETE FROM templates WHERE program_id = $1 AND id = ANY (sqlc.arg(ids)::uuid[]);
