-- name: InsertInvitation :exec
INSERT INTO invitations (id, program_id, email, role, key_hash, invited_by, until) VALUES ($1, $2, $3, $4, $5, $6, $7);

-- name: InvitationsOfProgram :many
SELECT id, email, role, invited_by, until FROM invitations WHERE program_id = $1 AND used_at IS NULL AND until > sqlc.arg(now) ORDER BY until;

-- name: DeleteInvitation :execrows
DELETE FROM invitations WHERE program_id = $1 AND id = $2 AND used_at IS NULL;

-- name: InvitationByKey :one
-- The link is the key, and finds the scope.
SELECT i.*, p.name AS program FROM invitations i JOIN programs p ON p.id = i.program_id WHERE i.key_hash = $1;

-- name: UseInvitation :execrows
-- Once.
UPDATE invitations SET used_at = sqlc.arg(now)::timestamptz WHERE program_id = $1 AND id = $2 AND used_at IS NULL AND until > sqlc.arg(now)::timestamptz;

-- name: InsertAudit :exec
INSERT INTO audit (id, program_id, at, who, team, what) VALUES ($1, $2, $3, $4, $5, $6);

-- name: AuditOfProgram :many
SELECT at, who, team, what FROM audit WHERE program_id = $1 ORDER BY at DESC, id DESC LIMIT sqlc.arg(size);

-- name: ForgetAudit :exec
DELETE FROM audit WHERE program_id = $1 AND at < sqlc.arg(before);
