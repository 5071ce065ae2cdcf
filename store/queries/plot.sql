-- name: PlotID :one
SELECT plot_id FROM plot;

-- name: NextID :one
INSERT INTO last_ids (name, newest) VALUES (sqlc.arg('name'), 1)
ON CONFLICT (name) DO UPDATE SET newest = newest + 1
RETURNING newest;
