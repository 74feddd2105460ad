-- name: CountPrograms :one
-- unscoped: before anybody has signed in
SELECT count(*) FROM programs;

-- name: LockSetup :exec
-- unscoped: two first starts at once must not make two first programs
SELECT pg_advisory_xact_lock(718201);

-- name: DemoProgram :one
-- unscoped: before anybody has signed in
SELECT count(*) FROM programs WHERE demo;

-- name: InsertProgram :exec
-- unscoped: makes the scope
INSERT INTO programs (id, name, demo) VALUES ($1, $2, $3);

-- name: Program :one
SELECT * FROM programs WHERE id = sqlc.arg(program_id);

-- name: DeleteDemoPrograms :exec
-- unscoped: the demo is made afresh
DELETE FROM programs WHERE demo;

-- name: StaffByEmail :one
-- unscoped: signing in finds the scope
SELECT * FROM staff WHERE lower(email) = lower(sqlc.arg(email)::text);

-- name: StaffByID :one
-- unscoped: a session's owner, from whom the scope is taken
SELECT * FROM staff WHERE id = $1;

-- name: StaffOfProgram :many
SELECT * FROM staff WHERE program_id = $1 ORDER BY role DESC, name;

-- name: InsertStaff :exec
INSERT INTO staff (id, program_id, name, email, role, password_hash) VALUES ($1, $2, $3, $4, $5, $6);

-- name: DeleteStaff :execrows
DELETE FROM staff WHERE program_id = $1 AND id = $2;

-- name: SetStaffRole :execrows
UPDATE staff SET role = $3 WHERE program_id = $1 AND id = $2;

-- name: EndSessions :exec
UPDATE staff SET session_epoch = session_epoch + 1 WHERE program_id = $1 AND id = $2;

-- name: SetPassword :execrows
-- Whoever is signed in with the old password is not any more.
UPDATE staff SET password_hash = $3, session_epoch = session_epoch + 1 WHERE program_id = $1 AND id = $2;

-- name: LockProgram :exec
-- One change of who may do what at a time.
SELECT id FROM programs WHERE id = sqlc.arg(program_id) FOR UPDATE;

-- name: CountTry :one
-- unscoped: nobody has signed in. The try counts itself, so that of many at once none is overlooked.
WITH counted AS (
    INSERT INTO sign_in_tries (key, try) SELECT unnest(sqlc.arg(keys)::text[]), sqlc.arg(try)::uuid RETURNING key
)
SELECT count(*) FROM counted;

-- name: TriesOf :one
-- unscoped: nobody has signed in
SELECT coalesce(max(n), 0)::bigint FROM (
    SELECT count(*) AS n FROM sign_in_tries
    WHERE key = ANY (sqlc.arg(keys)::text[]) AND at > sqlc.arg(since) GROUP BY key
) AS counted;

-- name: ForgiveTries :exec
-- unscoped: nobody has signed in. A right answer takes its own try back, and those before of its address.
DELETE FROM sign_in_tries WHERE try = sqlc.arg(try)::uuid OR key = sqlc.arg(key) OR at < sqlc.arg(before);

-- name: KnownDevice :one
-- unscoped: a device that is about to sign in; it finds whose it is.
SELECT d.staff_id FROM known_devices d JOIN staff s ON s.id = d.staff_id
WHERE d.key_hash = $1 AND lower(s.email) = lower(sqlc.arg(email)::text) AND d.until > sqlc.arg(now);

-- name: RememberDevice :exec
INSERT INTO known_devices (key_hash, program_id, staff_id, until) VALUES ($1, $2, $3, $4);

-- name: ForgetDevices :exec
DELETE FROM known_devices WHERE program_id = $1 AND staff_id = $2;

-- name: ForgetDevice :exec
-- unscoped: a device that gets a new key gives its old one up
DELETE FROM known_devices WHERE key_hash = $1;

-- name: InsertReset :exec
INSERT INTO password_resets (key_hash, program_id, staff_id, until) VALUES ($1, $2, $3, $4);

-- name: ResetByKey :one
-- unscoped: the link is the key, and finds the scope
SELECT s.* FROM password_resets r JOIN staff s ON s.id = r.staff_id WHERE r.key_hash = $1 AND r.until > sqlc.arg(now);

-- name: EndResets :exec
DELETE FROM password_resets WHERE program_id = $1 AND staff_id = $2;

-- name: FindSession :one
-- unscoped: a session is found by its token, before anybody is known
SELECT data, seen_at FROM sessions WHERE token = $1 AND expiry > now() AND seen_at > sqlc.arg(idle_since);

-- name: TouchSession :exec
-- unscoped: of a session that was found by its token
UPDATE sessions SET seen_at = sqlc.arg(now) WHERE token = $1;

-- name: BeginSession :exec
-- unscoped: of whoever has just signed in
INSERT INTO sessions (token, data, expiry, seen_at) VALUES ($1, $2, $3, sqlc.arg(now))
ON CONFLICT (token) DO UPDATE SET data = excluded.data, expiry = excluded.expiry, seen_at = excluded.seen_at;

-- name: ChangeSession :exec
-- unscoped: a session that was ended meanwhile is not made again
UPDATE sessions SET data = $2, expiry = $3 WHERE token = $1;

-- name: EndSession :exec
-- unscoped: a session is ended by its token
DELETE FROM sessions WHERE token = $1;

-- name: ForgetWhatRanOut :exec
-- unscoped: of everybody: sessions, devices, links to a new password, and tries that count no more
WITH s AS (DELETE FROM sessions WHERE expiry < sqlc.arg(now)),
     d AS (DELETE FROM known_devices WHERE until < sqlc.arg(now)),
     r AS (DELETE FROM password_resets WHERE until < sqlc.arg(now))
DELETE FROM sign_in_tries WHERE at < sqlc.arg(tries_before);

-- name: Programs :many
-- unscoped: for who runs the server, on its own machine
SELECT id, name FROM programs ORDER BY name;
