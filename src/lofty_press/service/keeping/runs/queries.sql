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
    runs.tool,
    runs.stock,
    runs.tags,
    JSON_VALUE(runs.body, '$.known') AS known,
    JSON_VALUE(runs.body, '$.note') AS note,
    run_photos.run_id IS NOT NULL AS photo
FROM runs
LEFT JOIN run_photos ON run_photos.run_id = runs.id
WHERE
    (%(state)s = 'any' OR (runs.state = 'open') = (%(state)s = 'open'))
    AND (%(sandwich)s = '' OR runs.sandwich_id = CONVERT(%(sandwich)s USING ascii))
    AND (%(result)s = '' OR runs.result = %(result)s)
    AND (%(press)s = '' OR runs.press = %(press)s)
    AND (%(tool)s = '' OR runs.tool = %(tool)s)
    AND (%(stock)s = '' OR runs.stock = %(stock)s)
    AND (%(tag)s = '' OR runs.tags LIKE %(tag)s)
    AND COALESCE(runs.words, LOWER(runs.name)) LIKE %(w0)s
    AND COALESCE(runs.words, LOWER(runs.name)) LIKE %(w1)s
    AND COALESCE(runs.words, LOWER(runs.name)) LIKE %(w2)s
    AND COALESCE(runs.words, LOWER(runs.name)) LIKE %(w3)s
    AND COALESCE(runs.words, LOWER(runs.name)) LIKE %(w4)s
    AND COALESCE(runs.words, LOWER(runs.name)) LIKE %(w5)s
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
    (%(state)s = 'any' OR (runs.state = 'open') = (%(state)s = 'open'))
    AND (%(sandwich)s = '' OR runs.sandwich_id = CONVERT(%(sandwich)s USING ascii))
    AND (%(result)s = '' OR runs.result = %(result)s)
    AND (%(press)s = '' OR runs.press = %(press)s)
    AND (%(tool)s = '' OR runs.tool = %(tool)s)
    AND (%(stock)s = '' OR runs.stock = %(stock)s)
    AND (%(tag)s = '' OR runs.tags LIKE %(tag)s)
    AND COALESCE(runs.words, LOWER(runs.name)) LIKE %(w0)s
    AND COALESCE(runs.words, LOWER(runs.name)) LIKE %(w1)s
    AND COALESCE(runs.words, LOWER(runs.name)) LIKE %(w2)s
    AND COALESCE(runs.words, LOWER(runs.name)) LIKE %(w3)s
    AND COALESCE(runs.words, LOWER(runs.name)) LIKE %(w4)s
    AND COALESCE(runs.words, LOWER(runs.name)) LIKE %(w5)s;

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
    runs.tool,
    runs.stock,
    runs.tags,
    runs.words,
    runs.version,
    runs.created_at,
    runs.updated_at,
    run_photos.run_id IS NOT NULL AS photo
FROM runs
LEFT JOIN run_photos ON run_photos.run_id = runs.id
WHERE runs.id = CONVERT(%(id)s USING ascii);

-- name: insert
INSERT INTO runs (id, sandwich_id, name, state, body, shape, tool, stock, tags, words)
VALUES (%(id)s, %(sandwich_id)s, %(name)s, %(state)s, %(body)s, %(shape)s, %(tool)s, %(stock)s, %(tags)s, %(words)s);

-- name: insert_as_of
INSERT IGNORE INTO runs (id, sandwich_id, name, state, body, shape, tool, stock, tags, words, created_at, updated_at)
VALUES (
    %(id)s, %(sandwich_id)s, %(name)s, %(state)s, %(body)s, %(shape)s, %(tool)s, %(stock)s, %(tags)s, %(words)s,
    %(created_at)s, %(created_at)s
);

-- name: update
UPDATE runs
SET
    name = %(name)s,
    state = %(state)s,
    body = %(body)s,
    shape = %(shape)s,
    tool = %(tool)s,
    stock = %(stock)s,
    tags = %(tags)s,
    words = %(words)s,
    version = version + 1
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

-- name: not_filled_in
SELECT id, body, shape
FROM runs
WHERE words IS NULL
LIMIT 200;

-- name: fill_in
UPDATE runs
SET tool = %(tool)s, stock = %(stock)s, tags = %(tags)s, words = %(words)s, updated_at = updated_at
WHERE id = CONVERT(%(id)s USING ascii);

-- name: presses
SELECT DISTINCT press AS value
FROM runs
WHERE press <> ''
ORDER BY press
LIMIT 200;

-- name: tools
SELECT DISTINCT tool AS value
FROM runs
WHERE tool <> ''
ORDER BY tool
LIMIT 200;

-- name: stocks
SELECT DISTINCT stock AS value
FROM runs
WHERE stock <> ''
ORDER BY stock
LIMIT 200;

-- name: tags
SELECT DISTINCT tags AS value
FROM runs
WHERE tags <> ''
LIMIT 2000;

-- name: here_of
SELECT id
FROM runs
WHERE id IN %(ids)s;
