-- name: list_all
SELECT id, name, body, version, shape
FROM paper
ORDER BY name, id
LIMIT %(most)s;

-- name: named
SELECT id, version
FROM paper
WHERE name = %(name)s
ORDER BY id
LIMIT 1
FOR UPDATE;

-- name: get
SELECT id, name, body, version, shape
FROM paper
WHERE id = CONVERT(%(id)s USING ascii);

-- name: insert
INSERT INTO paper (id, name, body, shape)
VALUES (%(id)s, %(name)s, %(body)s, %(shape)s);

-- name: update
UPDATE paper
SET name = %(name)s, body = %(body)s, shape = %(shape)s, version = version + 1
WHERE id = CONVERT(%(id)s USING ascii) AND version = %(version)s;

-- name: delete
DELETE FROM paper
WHERE id = CONVERT(%(id)s USING ascii) AND version = %(version)s;
