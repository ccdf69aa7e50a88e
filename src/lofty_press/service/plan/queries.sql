-- name: list_all
SELECT id, name, version, CAST(JSON_VALUE(body, '$.count') AS SIGNED) AS count, updated_at
FROM jobs
ORDER BY updated_at DESC, name, id
LIMIT %(most)s;

-- name: get
SELECT id, name, body, version, shape
FROM jobs
WHERE id = CONVERT(%(id)s USING ascii);

-- name: insert
INSERT INTO jobs (id, name, body, shape)
VALUES (%(id)s, %(name)s, %(body)s, %(shape)s);

-- name: update
UPDATE jobs
SET name = %(name)s, body = %(body)s, shape = %(shape)s, version = version + 1
WHERE id = CONVERT(%(id)s USING ascii) AND version = %(version)s;

-- name: delete
DELETE FROM jobs
WHERE id = CONVERT(%(id)s USING ascii) AND version = %(version)s;
