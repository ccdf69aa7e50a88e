-- name: latest
SELECT id, name, body, version, shape, created_at
FROM practice
ORDER BY created_at DESC, id DESC
LIMIT %(most)s;

-- name: insert
INSERT IGNORE INTO practice (id, name, body, shape)
VALUES (%(id)s, %(name)s, %(body)s, %(shape)s);
