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

-- name: list_took
SELECT JSON_EXTRACT(body, '$.took') AS took
FROM jobs
WHERE JSON_LENGTH(body, '$.took') > 0
ORDER BY updated_at DESC, id
LIMIT %(most)s;

-- name: list_followed
SELECT followed.seconds, followed.cuts
FROM (
    SELECT
        created_at,
        TIMESTAMPDIFF(SECOND, LAG(created_at) OVER (PARTITION BY sandwich_id ORDER BY created_at, id), created_at) AS seconds,
        COALESCE(JSON_VALUE(body, '$.sandwich.effect.kind'), '') = 'cut' AS cuts
    FROM runs
    WHERE state = 'finished' AND sandwich_id IS NOT NULL AND COALESCE(JSON_VALUE(body, '$.known'), '0') NOT IN ('1', 'true')
    ORDER BY created_at DESC
    LIMIT %(most)s
) AS followed
WHERE followed.seconds BETWEEN 5 AND 300
ORDER BY followed.created_at DESC;

-- name: piles_named
SELECT name, body, shape
FROM sandwiches
WHERE name IN %(names)s
ORDER BY updated_at;
