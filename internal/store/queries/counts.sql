-- name: InsertFloorCounts :many
-- Sent twice, counted once. Answers with what is new.
INSERT INTO floor_counts (program_id, practice_id, id, block_id, rep_no, at, what, by, observer_id, device)
SELECT sqlc.arg(program_id)::uuid, sqlc.arg(practice_id)::uuid, unnest(sqlc.arg(id)::uuid[]), unnest(sqlc.arg(block_id)::uuid[]), unnest(sqlc.arg(rep_no)::integer[]),
    unnest(sqlc.arg(at)::timestamptz[]), unnest(sqlc.arg(what)::text[]), unnest(sqlc.arg(by)::integer[]), sqlc.arg(observer_id)::uuid, unnest(sqlc.arg(device)::text[])
ON CONFLICT (id) DO NOTHING RETURNING id;

-- name: KnownFloorCounts :many
SELECT id FROM floor_counts WHERE program_id = $1 AND practice_id = $2 AND id = ANY (sqlc.arg(ids)::uuid[]);

-- name: FloorCounts :many
SELECT * FROM floor_counts WHERE program_id = $1 AND practice_id = $2 ORDER BY at, id;
