-- Photographs are kept once by what they hold, and never changed.
-- name: KeepPhotograph :exec
INSERT INTO photographs (sha256, kind, bytes) VALUES (?, ?, ?) ON CONFLICT (sha256) DO NOTHING;

-- name: GetPhotograph :one
SELECT * FROM photographs WHERE sha256 = ?;

-- name: KeepThumbnail :exec
INSERT INTO thumbnails (sha256, bytes) VALUES (?, ?) ON CONFLICT (sha256) DO NOTHING;

-- name: GetThumbnail :one
SELECT bytes FROM thumbnails WHERE sha256 = ?;
