-- name: keep_relief
INSERT INTO reliefs (id, name, body)
VALUES (%(id)s, %(name)s, %(body)s)
ON DUPLICATE KEY UPDATE id = id;

-- name: get_relief
SELECT body
FROM reliefs
WHERE id = CONVERT(%(id)s USING ascii);
