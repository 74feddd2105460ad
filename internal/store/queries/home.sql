-- name: SetHomeDrills :exec
UPDATE teams SET home_drills = sqlc.arg(drills)::text[] WHERE program_id = $1 AND id = $2;

-- name: InsertHomeShots :execrows
INSERT INTO home_shots (program_id, player_id, id, drill, at, right_made, right_tried, left_made, left_tried)
VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9) ON CONFLICT DO NOTHING;

-- name: HomeShotsOfPlayer :many
SELECT * FROM home_shots WHERE program_id = $1 AND player_id = $2 ORDER BY at, id;

-- name: HomeShotsOfDrill :many
SELECT h.* FROM home_shots h JOIN players p ON p.program_id = h.program_id AND p.id = h.player_id
WHERE h.program_id = $1 AND p.team_id = $2 AND h.drill = $3 ORDER BY h.at, h.id;

-- name: DeleteHomeShotsBefore :exec
DELETE FROM home_shots WHERE program_id = $1 AND at < sqlc.arg(before);
