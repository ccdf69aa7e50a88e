-- name: list_sandwiches
SELECT
    id,
    name,
    version,
    JSON_VALUE(body, '$.press.name') AS press,
    JSON_VALUE(body, '$.effect.kind') AS effect,
    JSON_LENGTH(body, '$.layers') AS layers
FROM sandwiches
ORDER BY created_at, name, id;

-- name: get_sandwich
SELECT id, body, version
FROM sandwiches
WHERE id = CONVERT(%(id)s USING ascii);

-- name: insert_sandwich
INSERT INTO sandwiches (id, name, body)
VALUES (%(id)s, %(name)s, %(body)s);

-- name: update_sandwich
UPDATE sandwiches
SET name = %(name)s, body = %(body)s, version = version + 1
WHERE id = CONVERT(%(id)s USING ascii) AND version = %(version)s;

-- name: delete_sandwich
DELETE FROM sandwiches
WHERE id = CONVERT(%(id)s USING ascii) AND version = %(version)s;

-- name: list_shelf_bodies
SELECT id, category, body
FROM shelf_items;
