-- name: InsertRepEvents :many
-- A batch in one statement, as a list of rows in JSON; sent twice, stored once. Answers with what is new.
INSERT INTO rep_events (program_id, team_id, id, observer_id, practice_id, block_id, kind, voids, rep_no, at, player_id, role,
    drill, rung, action, side, cue, expected, made, is_correct, late, outcome, tags, device, second_cue)
SELECT sqlc.arg(program_id)::uuid, sqlc.arg(team_id)::uuid, e.id, e.observer_id, e.practice_id, e.block_id, e.kind, e.voids, e.rep_no, e.at, e.player_id, e.role,
    e.drill, e.rung, e.action, e.side, e.cue, e.expected, e.made, e.is_correct, e.late, e.outcome, e.tags, e.device, e.second_cue
FROM jsonb_populate_recordset(NULL::rep_events, sqlc.arg(rows)::jsonb) e
ON CONFLICT (id) DO NOTHING RETURNING id;

-- name: RepsOfTeam :many
-- What stands: reps that no later event has voided. A player who moved up
-- brings the record along, so the team is that of the player, not of the rep.
SELECT r.* FROM rep_events r JOIN players p ON p.program_id = r.program_id AND p.id = r.player_id
WHERE r.program_id = $1 AND p.team_id = $2 AND r.kind = 'rep'
AND NOT EXISTS (SELECT 1 FROM rep_events v WHERE v.program_id = r.program_id AND v.voids = r.id)
ORDER BY r.at, r.rep_no, r.id;

-- name: RepsOfPractice :many
SELECT * FROM rep_events r WHERE r.program_id = $1 AND r.practice_id = $2 AND r.kind = 'rep'
AND NOT EXISTS (SELECT 1 FROM rep_events v WHERE v.program_id = r.program_id AND v.voids = r.id)
ORDER BY r.at, r.rep_no, r.id;

-- name: RepsOfPlayer :many
SELECT * FROM rep_events r WHERE r.program_id = $1 AND r.player_id = $2 AND r.kind = 'rep'
AND NOT EXISTS (SELECT 1 FROM rep_events v WHERE v.program_id = r.program_id AND v.voids = r.id)
ORDER BY r.at, r.rep_no, r.id;

-- name: ShotsOfDrill :many
-- What stands of the shots in a drill that teaches no read, of the players who are on the team now.
SELECT r.* FROM rep_events r JOIN players p ON p.program_id = r.program_id AND p.id = r.player_id
WHERE r.program_id = $1 AND p.team_id = $2 AND r.kind = 'rep' AND r.role = 'shooter' AND r.drill = $3
AND NOT EXISTS (SELECT 1 FROM rep_events v WHERE v.program_id = r.program_id AND v.voids = r.id)
ORDER BY r.at, r.rep_no, r.id;

-- name: PaceOfDrill :many
-- When the reps of a drill's stage were seen, with how many baskets ran.
SELECT r.block_id, r.rep_no, min(r.at)::timestamptz AS at, max(b.baskets)::integer AS baskets
FROM rep_events r JOIN blocks b ON b.program_id = r.program_id AND b.id = r.block_id
WHERE r.program_id = $1 AND r.team_id = $2 AND r.kind = 'rep' AND r.drill = $3 AND b.stage = sqlc.arg(stage)
GROUP BY r.block_id, r.rep_no ORDER BY r.block_id, r.rep_no;

-- name: PaceOfTeam :many
-- The same for every stage at once, from some moment on. The practices of that time find the blocks, so that those of other
-- seasons are not read.
SELECT r.drill, b.stage, r.block_id, r.rep_no, min(r.at)::timestamptz AS at, max(b.baskets)::integer AS baskets
FROM rep_events r JOIN blocks b ON b.program_id = r.program_id AND b.id = r.block_id
JOIN practices p ON p.program_id = b.program_id AND p.id = b.practice_id
WHERE r.program_id = $1 AND r.team_id = $2 AND r.kind = 'rep' AND r.at >= sqlc.arg(since)
AND p.team_id = $2 AND p.starts_at >= sqlc.arg(since)::timestamptz - interval '1 day'
GROUP BY r.drill, b.stage, r.block_id, r.rep_no ORDER BY r.drill, b.stage, r.block_id, r.rep_no;

-- name: RepEvents :many
-- Events by their ids, in the order in which they were stored.
SELECT * FROM rep_events WHERE program_id = $1 AND id = ANY (sqlc.arg(ids)::uuid[]) ORDER BY recorded_at, at;

-- name: NotifyFloor :exec
-- unscoped: told to every listening process when the transaction is through; the
-- payload names ids, never a player.
SELECT pg_notify('evrik_floor', sqlc.arg(payload)::text);

-- name: RepsOfTeamBetween :many
SELECT r.* FROM rep_events r JOIN players p ON p.program_id = r.program_id AND p.id = r.player_id
WHERE r.program_id = $1 AND p.team_id = $2 AND r.kind = 'rep' AND r.at >= sqlc.arg(since) AND r.at < sqlc.arg(before)
AND NOT EXISTS (SELECT 1 FROM rep_events v WHERE v.program_id = r.program_id AND v.voids = r.id)
ORDER BY r.at, r.rep_no, r.id;

-- name: LogVersion :one
-- Before which moment weeks may be closed, and how often something has changed a closed one.
SELECT closed_before('49 hours')::timestamptz AS closed_before,
    (SELECT count(*) FROM log_changes c WHERE c.program_id = $1) AS version;
