-- name: get_impression
SELECT id, figures, panel
FROM impressions
WHERE id = CONVERT(%(id)s USING ascii);

-- name: get_field
SELECT body
FROM impression_fields
WHERE impression_id = CONVERT(%(id)s USING ascii) AND name = CONVERT(%(name)s USING ascii);

-- name: list_fields
SELECT name
FROM impression_fields
WHERE impression_id = CONVERT(%(id)s USING ascii)
ORDER BY name;

-- name: keep_impression
INSERT INTO impressions (id, figures, panel)
VALUES (%(id)s, %(figures)s, %(panel)s)
ON DUPLICATE KEY UPDATE figures = VALUES(figures), panel = VALUES(panel), used_at = CURRENT_TIMESTAMP(3);

-- name: keep_field
INSERT INTO impression_fields (impression_id, name, body)
VALUES (%(id)s, %(name)s, %(body)s)
ON DUPLICATE KEY UPDATE body = VALUES(body);

-- name: mark_used
UPDATE impressions
SET used_at = CURRENT_TIMESTAMP(3)
WHERE id = CONVERT(%(id)s USING ascii);

-- name: oldest_beyond
SELECT id
FROM impressions
ORDER BY used_at DESC, id
LIMIT 1000 OFFSET %(most)s;

-- name: delete_impression
DELETE FROM impressions
WHERE id = CONVERT(%(id)s USING ascii);
