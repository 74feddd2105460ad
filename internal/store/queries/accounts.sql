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

-- name: RecordSignInFailure :exec
-- unscoped: nobody has signed in
INSERT INTO sign_in_failures (key) SELECT unnest(sqlc.arg(keys)::text[]);

-- name: CountSignInFailures :one
-- unscoped: nobody has signed in
SELECT coalesce(max(n), 0)::bigint FROM (
    SELECT count(*) AS n FROM sign_in_failures
    WHERE key = ANY (sqlc.arg(keys)::text[]) AND at > sqlc.arg(since) GROUP BY key
) AS counted;

-- name: ForgetSignInFailures :exec
-- unscoped: nobody has signed in
DELETE FROM sign_in_failures WHERE key = sqlc.arg(key) OR at < sqlc.arg(before);

-- name: Programs :many
-- unscoped: for who runs the server, on its own machine
SELECT id, name FROM programs ORDER BY name;
