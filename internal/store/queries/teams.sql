-- name: TeamsOfProgram :many
SELECT * FROM teams WHERE program_id = $1 ORDER BY position, name;

-- name: Team :one
SELECT * FROM teams WHERE program_id = $1 AND id = $2;

-- name: InsertTeam :exec
INSERT INTO teams (id, program_id, name, season, ages, court, position, zone)
VALUES ($1, $2, $3, $4, $5, $6, $7, $8);

-- name: UpdateTeam :execrows
UPDATE teams SET name = $3, season = $4, ages = $5, court = $6, metric = $7, fade_to_corner = $8, flare_first = $9, shoot_first = $10, pace = $11, zone = $12, local_rule = $13, all_actions = $14
WHERE program_id = $1 AND id = $2;

-- name: PlayersOfTeam :many
SELECT * FROM players WHERE program_id = $1 AND team_id = $2 ORDER BY jersey::int, length(jersey), name;

-- name: Player :one
SELECT * FROM players WHERE program_id = $1 AND team_id = $2 AND id = $3;

-- name: InsertPlayer :exec
INSERT INTO players (id, program_id, team_id, jersey, name, handler, wing, big, shooter)
VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9);

-- name: DeferConstraints :exec
-- unscoped: it touches no row. Jerseys may be swapped inside a transaction: uniqueness is checked at its end.
SET CONSTRAINTS ALL DEFERRED;

-- name: UpdatePlayer :execrows
UPDATE players SET jersey = $4, name = $5, handler = $6, wing = $7, big = $8, shooter = $9
WHERE program_id = $1 AND team_id = $2 AND id = $3;

-- name: MovePlayer :execrows
-- The record comes along: reps are the player's, whatever team they were made in.
UPDATE players SET team_id = sqlc.arg(to_team) WHERE program_id = $1 AND team_id = $2 AND id = $3;

-- name: PlayersOfProgram :many
SELECT id, shooter FROM players WHERE program_id = $1;

-- name: DeletePlayer :execrows
DELETE FROM players WHERE program_id = $1 AND team_id = $2 AND id = $3;

-- name: SetSeasonAim :execrows
UPDATE teams SET season_aim = $3 WHERE program_id = $1 AND id = $2;

-- name: SetFeed :execrows
UPDATE teams SET feed_hash = $3 WHERE program_id = $1 AND id = $2;

-- name: TeamByFeed :one
-- unscoped: a calendar reads without signing in; the hash of its address finds the team
SELECT * FROM teams WHERE feed_hash = $1;

-- name: SetOffense :execrows
-- Teams that play this team's offense with its changes get it too; where this team begins
-- to follow another, they follow that one from now on.
UPDATE teams SET offense = $3, offense_follows = CASE
    WHEN id = $2 OR sqlc.narg(follows)::uuid IS NOT NULL THEN sqlc.narg(follows)::uuid
    ELSE offense_follows END
WHERE program_id = $1 AND (id = $2 OR offense_follows = $2);

-- name: SetPrinciples :execrows
UPDATE teams SET principles = $3 WHERE program_id = $1 AND id = $2;

-- name: ArchiveTeam :execrows
UPDATE teams SET archived = $3 WHERE program_id = $1 AND id = $2;

-- name: DeleteTeams :execrows
-- Everything a team has goes with it.
DELETE FROM teams WHERE program_id = $1 AND id = ANY (sqlc.arg(ids)::uuid[]);
