-- name: PlayersWithRepsBefore :many
SELECT DISTINCT player_id FROM rep_events WHERE program_id = $1 AND at < sqlc.arg(before);

-- name: DeleteRepsBefore :execrows
-- A void goes with the rep it takes back.
DELETE FROM rep_events e WHERE e.program_id = $1 AND (e.kind = 'rep' AND e.at < sqlc.arg(before)
    OR e.kind = 'void' AND EXISTS (SELECT 1 FROM rep_events r WHERE r.program_id = e.program_id AND r.id = e.voids AND r.at < sqlc.arg(before)));

-- name: DeleteAttendanceBefore :exec
DELETE FROM attendance a USING practices p
WHERE a.program_id = $1 AND p.program_id = a.program_id AND p.id = a.practice_id AND p.starts_at < sqlc.arg(before);

-- name: DeleteChangesBefore :exec
DELETE FROM floor_changes WHERE program_id = $1 AND at < sqlc.arg(before);

-- name: ForgetInBlocks :exec
UPDATE blocks SET players = array_remove(players, sqlc.arg(player)::uuid) WHERE program_id = $1 AND sqlc.arg(player)::uuid = ANY (players);

-- name: ForgetInGames :exec
-- The nil id is nobody's.
UPDATE games SET terms = replace(terms::text, sqlc.arg(player)::text, '00000000-0000-0000-0000-000000000000')::jsonb
WHERE program_id = $1 AND terms::text LIKE '%' || sqlc.arg(player)::text || '%';

-- name: ForgetInTemplates :exec
UPDATE templates SET blocks = replace(blocks::text, sqlc.arg(player)::text, '00000000-0000-0000-0000-000000000000')::jsonb
WHERE program_id = $1 AND blocks::text LIKE '%' || sqlc.arg(player)::text || '%';

-- name: ForgetInDropped :exec
UPDATE practices SET dropped = replace(dropped::text, sqlc.arg(player)::text, '00000000-0000-0000-0000-000000000000')::jsonb
WHERE program_id = $1 AND dropped::text LIKE '%' || sqlc.arg(player)::text || '%';

-- name: KeptOfTeam :many
SELECT role, expected, made, rung, reps, is_correct FROM kept_counts WHERE program_id = $1 AND team_id = $2;

-- name: KeptOfProgram :many
SELECT * FROM kept_counts WHERE program_id = $1;

-- name: AddKept :exec
INSERT INTO kept_counts AS k (program_id, team_id, role, expected, made, rung, is_correct, reps) VALUES ($1, $2, $3, $4, $5, $6, $7, $8)
ON CONFLICT (program_id, team_id, role, expected, made, rung, is_correct) DO UPDATE SET reps = k.reps + excluded.reps;

-- name: SetKeepMonths :exec
UPDATE programs SET keep_months = sqlc.narg(keep_months) WHERE id = sqlc.arg(program_id);

-- name: ProgramsThatForget :many
-- Run when the server starts and once a day, for every program_id that has a limit.
SELECT id AS program_id, keep_months FROM programs WHERE keep_months IS NOT NULL;

-- name: StillThere :many
-- unscoped: for who runs the server: those of some players who are there
SELECT * FROM players WHERE id = ANY (sqlc.arg(ids)::uuid[]);

-- name: NotesOfProgram :many
-- Texts in which a player may be named, with where they are.
SELECT p.team_id, p.id, 'practice'::text AS kind, p.starts_at AS at, (p.note || E'\n' || p.review)::text AS text FROM practices p WHERE p.program_id = $1
UNION ALL
SELECT g.team_id, g.id, 'game'::text, g.starts_at, (g.note || E'\n' || g.opponent)::text FROM games g WHERE g.program_id = $1
UNION ALL
SELECT b.team_id, b.id, 'practice'::text, b.starts_at, x.title FROM practices b JOIN blocks x ON x.program_id = b.program_id AND x.practice_id = b.id
WHERE b.program_id = $1 AND x.kind = 'own';

-- name: LockPlayers :many
-- Whoever logs about a player waits until the player is gone; the order keeps two from
-- waiting for each other.
SELECT id FROM players WHERE program_id = $1 AND id = ANY (sqlc.arg(ids)::uuid[]) ORDER BY id FOR UPDATE;
