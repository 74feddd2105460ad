-- name: LockPlayers :many
-- Who logs about a player waits for whoever does; the order keeps two from waiting
-- for each other.
SELECT id FROM players WHERE program_id = $1 AND id = ANY (sqlc.arg(ids)::uuid[]) ORDER BY id FOR NO KEY UPDATE;

-- name: SumsOfTeam :many
-- Ids as text: there are thousands of rows, and that is what the core wants.
SELECT s.player_id::text AS player, s.practice_id::text AS practice, s.role, s.expected, s.rung, s.side, s.reps, s.is_right, s.mass, s.right_mass, s.last_at,
    s.newest_reps, s.newest_right, s.newest_mass, s.newest_right_mass
FROM sums s JOIN players p ON p.program_id = s.program_id AND p.id = s.player_id
WHERE s.program_id = $1 AND p.team_id = $2 AND s.role = ANY (sqlc.arg(roles)::text[]);

-- name: MistakesOfTeam :many
SELECT m.player_id::text AS player, m.role, m.expected, m.made, m.reps
FROM mistakes m JOIN players p ON p.program_id = m.program_id AND p.id = m.player_id
WHERE m.program_id = $1 AND p.team_id = $2 AND m.role = ANY (sqlc.arg(roles)::text[]);

-- name: PractisedByTeam :many
SELECT DISTINCT q.screen FROM practiced q JOIN players p ON p.program_id = q.program_id AND p.id = q.player_id
WHERE q.program_id = $1 AND p.team_id = $2 AND q.reps > 0 ORDER BY q.screen;

-- name: AddSums :exec
-- Sums add up (evidence.Sum.Plus).
INSERT INTO sums AS s (program_id, player_id, role, expected, rung, side, reps, is_right, mass, right_mass, last_at, practice_id,
    newest_reps, newest_right, newest_mass, newest_right_mass)
SELECT sqlc.arg(program_id)::uuid, unnest(sqlc.arg(player_id)::uuid[]), unnest(sqlc.arg(role)::text[]), unnest(sqlc.arg(expected)::text[]),
    unnest(sqlc.arg(rung)::text[]), unnest(sqlc.arg(side)::text[]), unnest(sqlc.arg(reps)::integer[]), unnest(sqlc.arg(is_right)::integer[]),
    unnest(sqlc.arg(mass)::double precision[]), unnest(sqlc.arg(right_mass)::double precision[]), unnest(sqlc.arg(last_at)::timestamptz[]),
    unnest(sqlc.arg(practice_id)::uuid[]), unnest(sqlc.arg(newest_reps)::integer[]), unnest(sqlc.arg(newest_right)::integer[]),
    unnest(sqlc.arg(newest_mass)::double precision[]), unnest(sqlc.arg(newest_right_mass)::double precision[])
ON CONFLICT (program_id, player_id, role, expected, rung, side) DO UPDATE SET
    reps = s.reps + excluded.reps, is_right = s.is_right + excluded.is_right, mass = s.mass + excluded.mass, right_mass = s.right_mass + excluded.right_mass,
    last_at = greatest(s.last_at, excluded.last_at),
    (practice_id, newest_reps, newest_right, newest_mass, newest_right_mass) = (SELECT
        CASE WHEN excluded.last_at < s.last_at THEN s.practice_id ELSE excluded.practice_id END,
        o.old * s.newest_reps + o.new * excluded.newest_reps, o.old * s.newest_right + o.new * excluded.newest_right,
        o.old * s.newest_mass + o.new * excluded.newest_mass, o.old * s.newest_right_mass + o.new * excluded.newest_right_mass
        FROM (SELECT CASE WHEN s.practice_id = excluded.practice_id OR excluded.last_at < s.last_at THEN 1 ELSE 0 END AS old,
            CASE WHEN s.practice_id = excluded.practice_id OR excluded.last_at >= s.last_at THEN 1 ELSE 0 END AS new) o);

-- name: DeleteSums :exec
DELETE FROM sums WHERE program_id = $1 AND player_id = ANY (sqlc.arg(players)::uuid[]);

-- name: AddMistakes :exec
INSERT INTO mistakes AS m (program_id, player_id, role, expected, made, reps)
SELECT sqlc.arg(program_id)::uuid, unnest(sqlc.arg(player_id)::uuid[]), unnest(sqlc.arg(role)::text[]), unnest(sqlc.arg(expected)::text[]),
    unnest(sqlc.arg(made)::text[]), unnest(sqlc.arg(reps)::integer[])
ON CONFLICT (program_id, player_id, role, expected, made) DO UPDATE SET reps = m.reps + excluded.reps;

-- name: DeleteMistakes :exec
DELETE FROM mistakes WHERE program_id = $1 AND player_id = ANY (sqlc.arg(players)::uuid[]);

-- name: AddPractised :exec
INSERT INTO practiced AS q (program_id, player_id, screen, reps)
SELECT sqlc.arg(program_id)::uuid, unnest(sqlc.arg(player_id)::uuid[]), unnest(sqlc.arg(screen)::text[]), unnest(sqlc.arg(reps)::integer[])
ON CONFLICT (program_id, player_id, screen) DO UPDATE SET reps = q.reps + excluded.reps;

-- name: DeletePractised :exec
DELETE FROM practiced WHERE program_id = $1 AND player_id = ANY (sqlc.arg(players)::uuid[]);

-- name: RecountPractised :exec
INSERT INTO practiced (program_id, player_id, screen, reps)
SELECT r.program_id, r.player_id, r.screen, count(*) FROM rep_events r
WHERE r.program_id = $1 AND r.player_id = ANY (sqlc.arg(players)::uuid[]) AND r.kind = 'rep'
AND NOT EXISTS (SELECT 1 FROM rep_events v WHERE v.program_id = r.program_id AND v.voids = r.id)
GROUP BY r.program_id, r.player_id, r.screen;

-- name: EventsTouched :many
-- All events of the reps that a batch is about, taken back or not: itself, what it
-- takes back, and every observation of the same block, number, player and role.
-- IS TRUE keeps the planner, where it knows nothing of the table yet, from going by the
-- program instead of by the event.
SELECT r.* FROM rep_events r WHERE (r.program_id = sqlc.arg(program_id)) IS TRUE AND r.id = ANY (ARRAY(
    SELECT unnest(sqlc.arg(ids)::uuid[]) AS id
    UNION SELECT e.id FROM rep_events e WHERE (e.program_id = sqlc.arg(program_id)) IS TRUE AND e.voids IS NOT NULL AND e.voids = ANY (sqlc.arg(ids)::uuid[])
    UNION SELECT same.id FROM (SELECT DISTINCT unnest(sqlc.arg(blocks)::uuid[]) AS block_id, unnest(sqlc.arg(rep_nos)::integer[]) AS rep_no,
            unnest(sqlc.arg(players)::uuid[]) AS player_id, unnest(sqlc.arg(roles)::text[]) AS role) g
        CROSS JOIN LATERAL (SELECT e.id FROM rep_events e WHERE e.block_id = g.block_id AND e.rep_no = g.rep_no AND e.rep_no > 0
            AND (e.program_id = sqlc.arg(program_id)) IS TRUE AND (e.player_id = g.player_id) IS TRUE AND e.role = g.role OFFSET 0) same))
ORDER BY r.at, r.rep_no, r.id;

-- name: ProgramsWithoutLedger :many
-- Run when the server starts, for every program there is.
SELECT p.id FROM programs p WHERE NOT EXISTS (SELECT 1 FROM ledgers l WHERE l.program_id = p.id AND l.half_life_s = sqlc.arg(half_life_s));

-- name: SetLedger :exec
INSERT INTO ledgers (program_id, half_life_s) VALUES ($1, $2) ON CONFLICT (program_id) DO UPDATE SET half_life_s = excluded.half_life_s;
