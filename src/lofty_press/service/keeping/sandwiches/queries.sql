-- name: list_window
SELECT id, name, version, press, effect, layers, updated_at
FROM sandwiches
WHERE
    %(at)s = ''
    OR updated_at < %(at)s
    OR (updated_at = %(at)s AND (name > %(name)s OR (name = %(name)s AND id > CONVERT(%(id)s USING ascii))))
ORDER BY updated_at DESC, name, id
LIMIT %(most)s;

-- name: count_all
SELECT COUNT(*) AS found
FROM sandwiches;

-- name: find_window
SELECT id, name, version, press, effect, layers, updated_at
FROM sandwiches
WHERE
    (
        %(at)s = ''
        OR updated_at < %(at)s
        OR (updated_at = %(at)s AND (name > %(name)s OR (name = %(name)s AND id > CONVERT(%(id)s USING ascii))))
    )
    AND words LIKE %(w0)s AND words LIKE %(w1)s AND words LIKE %(w2)s
    AND words LIKE %(w3)s AND words LIKE %(w4)s AND words LIKE %(w5)s
ORDER BY updated_at DESC, name, id
LIMIT %(most)s;

-- name: count_found
SELECT COUNT(*) AS found
FROM sandwiches
WHERE
    words LIKE %(w0)s AND words LIKE %(w1)s AND words LIKE %(w2)s
    AND words LIKE %(w3)s AND words LIKE %(w4)s AND words LIKE %(w5)s;

-- name: get
SELECT id, name, body, version, shape
FROM sandwiches
WHERE id = CONVERT(%(id)s USING ascii);

-- name: insert
INSERT INTO sandwiches (id, name, body, shape)
VALUES (%(id)s, %(name)s, %(body)s, %(shape)s);

-- name: update
UPDATE sandwiches
SET name = %(name)s, body = %(body)s, shape = %(shape)s, version = version + 1
WHERE id = CONVERT(%(id)s USING ascii) AND version = %(version)s;

-- name: delete
DELETE FROM sandwiches
WHERE id = CONVERT(%(id)s USING ascii) AND version = %(version)s;

-- name: shelf_bodies
SELECT id, category, name, version, body, shape
FROM shelf_items
WHERE id IN %(ids)s;
