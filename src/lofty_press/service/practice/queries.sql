-- name: latest
SELECT id, name, body, version, shape, created_at
FROM practice
ORDER BY created_at DESC, id DESC
LIMIT %(most)s;

-- name: get
SELECT id, name, body, version, shape, created_at
FROM practice
WHERE id = CONVERT(%(id)s USING ascii);

-- name: insert
INSERT INTO practice (id, name, body, shape)
VALUES (%(id)s, %(name)s, %(body)s, %(shape)s);

-- name: update
UPDATE practice
SET name = %(name)s, body = %(body)s, shape = %(shape)s, version = version + 1
WHERE id = CONVERT(%(id)s USING ascii) AND version = %(version)s;

-- name: delete
DELETE FROM practice
WHERE id = CONVERT(%(id)s USING ascii) AND version = %(version)s;
