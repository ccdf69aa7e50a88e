-- name: list_entries
SELECT id, category, name, body, version
FROM shelf_items
ORDER BY category, name, id;

-- name: get_entry
SELECT id, category, name, body, version
FROM shelf_items
WHERE id = CONVERT(%(id)s USING ascii);

-- name: insert_entry
INSERT INTO shelf_items (id, category, name, body)
VALUES (%(id)s, %(category)s, %(name)s, %(body)s);

-- name: update_entry
UPDATE shelf_items
SET name = %(name)s, category = %(category)s, body = %(body)s, version = version + 1
WHERE id = CONVERT(%(id)s USING ascii) AND version = %(version)s;

-- name: delete_entry
DELETE FROM shelf_items
WHERE id = CONVERT(%(id)s USING ascii) AND version = %(version)s;

-- name: count_entries
SELECT COUNT(*) AS found
FROM shelf_items;
