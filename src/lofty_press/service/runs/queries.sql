-- name: list_window
SELECT
    runs.id,
    runs.sandwich_id,
    runs.name,
    runs.state,
    runs.version,
    runs.created_at,
    runs.updated_at,
    runs.result,
    runs.press,
    JSON_VALUE(runs.body, '$.known') AS known,
    JSON_VALUE(runs.body, '$.note') AS note,
    run_photos.run_id IS NOT NULL AS photo
FROM runs
LEFT JOIN run_photos ON run_photos.run_id = runs.id
WHERE
    (%(wanted)s = 'any' OR (runs.state = 'open') = (%(wanted)s = 'open'))
    AND (%(sandwich)s = '' OR runs.sandwich_id = CONVERT(%(sandwich)s USING ascii))
    AND (%(result)s = '' OR runs.result = %(result)s)
    AND CONCAT_WS(' ', runs.name, runs.press, runs.result) LIKE %(w0)s
    AND CONCAT_WS(' ', runs.name, runs.press, runs.result) LIKE %(w1)s
    AND CONCAT_WS(' ', runs.name, runs.press, runs.result) LIKE %(w2)s
    AND CONCAT_WS(' ', runs.name, runs.press, runs.result) LIKE %(w3)s
    AND CONCAT_WS(' ', runs.name, runs.press, runs.result) LIKE %(w4)s
    AND CONCAT_WS(' ', runs.name, runs.press, runs.result) LIKE %(w5)s
    AND (
        %(at)s = ''
        OR runs.created_at < %(at)s
        OR (runs.created_at = %(at)s AND runs.id > CONVERT(%(id)s USING ascii))
    )
ORDER BY runs.created_at DESC, runs.id
LIMIT %(most)s;

-- name: count_window
SELECT COUNT(*) AS found
FROM runs
WHERE
    (%(wanted)s = 'any' OR (runs.state = 'open') = (%(wanted)s = 'open'))
    AND (%(sandwich)s = '' OR runs.sandwich_id = CONVERT(%(sandwich)s USING ascii))
    AND (%(result)s = '' OR runs.result = %(result)s)
    AND CONCAT_WS(' ', runs.name, runs.press, runs.result) LIKE %(w0)s
    AND CONCAT_WS(' ', runs.name, runs.press, runs.result) LIKE %(w1)s
    AND CONCAT_WS(' ', runs.name, runs.press, runs.result) LIKE %(w2)s
    AND CONCAT_WS(' ', runs.name, runs.press, runs.result) LIKE %(w3)s
    AND CONCAT_WS(' ', runs.name, runs.press, runs.result) LIKE %(w4)s
    AND CONCAT_WS(' ', runs.name, runs.press, runs.result) LIKE %(w5)s;

-- name: list_before
SELECT id, sandwich_id, name, state, version, shape, body, created_at, updated_at
FROM runs
WHERE
    %(at)s = ''
    OR created_at < %(at)s
    OR (created_at = %(at)s AND id > CONVERT(%(id)s USING ascii))
ORDER BY created_at DESC, id
LIMIT 200;

-- name: get
SELECT
    runs.id,
    runs.sandwich_id,
    runs.state,
    runs.name,
    runs.body,
    runs.shape,
    runs.version,
    runs.created_at,
    runs.updated_at,
    run_photos.run_id IS NOT NULL AS photo
FROM runs
LEFT JOIN run_photos ON run_photos.run_id = runs.id
WHERE runs.id = CONVERT(%(id)s USING ascii);

-- name: insert
INSERT INTO runs (id, sandwich_id, name, state, body, shape)
VALUES (%(id)s, %(sandwich_id)s, %(name)s, %(state)s, %(body)s, %(shape)s);

-- name: update
UPDATE runs
SET name = %(name)s, state = %(state)s, body = %(body)s, shape = %(shape)s, version = version + 1
WHERE id = CONVERT(%(id)s USING ascii) AND version = %(version)s;

-- name: delete
DELETE FROM runs
WHERE id = CONVERT(%(id)s USING ascii) AND version = %(version)s;

-- name: keep_photo
INSERT INTO run_photos (run_id, body)
VALUES (%(id)s, %(body)s)
ON DUPLICATE KEY UPDATE body = VALUES(body);

-- name: get_photo
SELECT body
FROM run_photos
WHERE run_id = CONVERT(%(id)s USING ascii);

-- name: delete_photo
DELETE FROM run_photos
WHERE run_id = CONVERT(%(id)s USING ascii);
