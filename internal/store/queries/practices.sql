-- name: PracticesOfTeam :many
SELECT * FROM practices WHERE program_id = $1 AND team_id = $2 ORDER BY starts_at DESC;

-- name: PracticesWithReps :many
-- With what was done in each, for the list of practices alone: it counts all reps, as they were logged.
SELECT sqlc.embed(p), r.reps, r.correct,
    (SELECT count(*) FROM attendance a WHERE a.program_id = p.program_id AND a.practice_id = p.id) AS present,
    coalesce((SELECT array_agg(b.title ORDER BY b.position) FROM blocks b
        WHERE b.program_id = p.program_id AND b.practice_id = p.id AND b.kind = 'drill'), '{}')::text[] AS drills
FROM practices p
CROSS JOIN LATERAL (SELECT count(*) AS reps, count(*) FILTER (WHERE e.is_correct) AS correct FROM rep_events e
    WHERE e.program_id = p.program_id AND e.practice_id = p.id AND e.kind = 'rep') r
WHERE p.program_id = $1 AND p.team_id = $2 ORDER BY p.starts_at DESC;

-- name: OthersInTheGym :many
-- Which other teams of the program practice while a practice runs.
SELECT t.name, p.starts_at, p.minutes FROM practices p JOIN teams t ON t.program_id = p.program_id AND t.id = p.team_id
WHERE p.program_id = $1 AND p.team_id <> $2 AND p.starts_at < sqlc.arg(until)::timestamptz
  AND p.starts_at + p.minutes * interval '1 minute' > sqlc.arg(since)::timestamptz AND p.starts_at > sqlc.arg(since)::timestamptz - interval '1 day'
ORDER BY p.starts_at, t.name;

-- name: SetEffort :execrows
UPDATE practices SET effort = sqlc.narg(effort) WHERE program_id = $1 AND team_id = $2 AND id = $3;

-- name: SetPlayerEffort :execrows
-- Of who took part, in a practice of the team.
UPDATE attendance a SET effort = sqlc.narg(effort) FROM practices p
WHERE a.program_id = $1 AND a.practice_id = $3 AND a.player_id = $4 AND p.program_id = $1 AND p.team_id = $2 AND p.id = $3;

-- name: Practice :one
SELECT * FROM practices WHERE program_id = $1 AND team_id = $2 AND id = $3;

-- name: LockPractice :one
SELECT * FROM practices WHERE program_id = $1 AND team_id = $2 AND id = $3 FOR UPDATE;

-- name: NextPractice :one
-- The one that is open, or the first that is still to come.
SELECT * FROM practices WHERE program_id = $1 AND team_id = $2 AND status <> 'done' AND (status = 'open' OR starts_at >= sqlc.arg(since))
ORDER BY (status = 'open') DESC, starts_at LIMIT 1;

-- name: InsertPractice :exec
INSERT INTO practices (id, program_id, team_id, starts_at, minutes, note, status, terms) VALUES ($1, $2, $3, $4, $5, $6, $7, $8);

-- name: UpdatePractice :execrows
UPDATE practices SET starts_at = $4, minutes = $5, note = $6, terms = $8, version = version + 1
WHERE program_id = $1 AND team_id = $2 AND id = $3 AND version = $7;

-- name: DeletePractice :execrows
DELETE FROM practices WHERE program_id = $1 AND team_id = $2 AND id = $3;

-- name: SetClock :execrows
UPDATE practices SET status = $4, block_id = $5, block_ms = $6, running_since = $7, began_at = $8, clock_at = $9
WHERE program_id = $1 AND team_id = $2 AND id = $3;

-- name: InsertClockEvent :exec
-- Told twice, kept once.
INSERT INTO clock_events (program_id, practice_id, at, action, block_id) VALUES ($1, $2, $3, $4, $5) ON CONFLICT DO NOTHING;

-- name: ClockEvents :many
SELECT * FROM clock_events WHERE program_id = $1 AND practice_id = $2 ORDER BY at;

-- name: InsertFloorChange :execrows
-- Sent twice, kept once.
INSERT INTO floor_changes (id, program_id, practice_id, at, kind, block_id, after_rep, player_id, was, state)
VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10) ON CONFLICT (id) DO NOTHING;

-- name: ClockEventsOfPractices :many
SELECT * FROM clock_events WHERE program_id = $1 AND practice_id = ANY (sqlc.arg(practices)::uuid[]) ORDER BY practice_id, at;

-- name: FloorChangesOfPractices :many
SELECT * FROM floor_changes WHERE program_id = $1 AND practice_id = ANY (sqlc.arg(practices)::uuid[]) ORDER BY practice_id, at, id;

-- name: FloorChanges :many
SELECT * FROM floor_changes WHERE program_id = $1 AND practice_id = $2 ORDER BY at, id;

-- name: SetReview :execrows
UPDATE practices SET review = $4 WHERE program_id = $1 AND team_id = $2 AND id = $3;

-- name: SetDropped :exec
UPDATE practices SET dropped = $3 WHERE program_id = $1 AND id = $2;

-- name: BlocksOfPractice :many
SELECT * FROM blocks WHERE program_id = $1 AND practice_id = $2 ORDER BY position;

-- name: PracticesBetween :many
SELECT * FROM practices WHERE program_id = $1 AND team_id = $2 AND starts_at >= sqlc.arg(since) AND starts_at < sqlc.arg(until) ORDER BY starts_at DESC;

-- name: BlocksOfPractices :many
SELECT * FROM blocks WHERE program_id = $1 AND practice_id = ANY (sqlc.arg(practices)::uuid[]) ORDER BY practice_id, position;

-- name: DeleteBlocks :exec
DELETE FROM blocks WHERE program_id = $1 AND practice_id = $2;

-- name: InsertBlock :exec
INSERT INTO blocks (id, program_id, practice_id, position, kind, title, drill, stage, minutes, baskets, seconds, seed, basket, players, pin, no_helpers, staff, player_shows, play)
VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17, $18, $19);

-- name: Attendance :many
SELECT * FROM attendance WHERE program_id = $1 AND practice_id = $2;

-- name: AttendanceOfPractices :many
SELECT * FROM attendance WHERE program_id = $1 AND practice_id = ANY (sqlc.arg(practices)::uuid[]) ORDER BY practice_id, player_id;

-- name: DeleteAttendance :exec
-- Who has left, or was hurt, stays so unless the plan brings the player back.
DELETE FROM attendance WHERE program_id = $1 AND practice_id = $2 AND gone = '';

-- name: InsertAttendance :exec
INSERT INTO attendance (program_id, practice_id, player_id, limited)
SELECT DISTINCT sqlc.arg(program_id)::uuid, sqlc.arg(practice_id)::uuid, p, COALESCE(p = ANY (sqlc.arg(limited)::uuid[]), false) FROM unnest(sqlc.arg(players)::uuid[]) AS p
ON CONFLICT (practice_id, player_id) DO UPDATE SET gone = '', limited = EXCLUDED.limited;

-- name: SetPresence :exec
INSERT INTO attendance (program_id, practice_id, player_id, limited, gone) VALUES ($1, $2, $3, $4, $5)
ON CONFLICT (practice_id, player_id) DO UPDATE SET gone = EXCLUDED.gone, limited = EXCLUDED.limited;

-- name: RepsPerBlock :many
SELECT block_id, count(*) AS reps FROM rep_events WHERE program_id = $1 AND practice_id = $2 AND kind = 'rep' GROUP BY block_id;

-- name: TemplatesOfProgram :many
SELECT * FROM templates WHERE program_id = $1 ORDER BY name;

-- name: PutTemplate :exec
INSERT INTO templates (id, program_id, name, minutes, blocks) VALUES ($1, $2, $3, $4, $5);

-- name: DeleteTemplate :execrows
DELETE FROM templates WHERE program_id = $1 AND id = $2;
