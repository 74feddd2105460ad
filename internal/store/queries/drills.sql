-- name: DrillsOfProgram :many
SELECT * FROM drills WHERE program_id = $1 ORDER BY changed_at DESC;

-- name: Drill :one
SELECT * FROM drills WHERE program_id = $1 AND id = $2;

-- name: InsertDrill :exec
INSERT INTO drills (id, program_id, drill) VALUES ($1, $2, $3);

-- name: UpdateDrill :execrows
UPDATE drills SET drill = $3, version = version + 1, changed_at = now()
WHERE program_id = $1 AND id = $2 AND version = $4;

-- name: ArchiveDrill :execrows
UPDATE drills SET archived = $3, changed_at = now() WHERE program_id = $1 AND id = $2;
