-- name: list_window
SELECT shelf_items.id, shelf_items.category, shelf_items.name, shelf_items.body, shelf_items.version, shelf_items.shape
FROM (
    SELECT id
    FROM shelf_items
    WHERE
        (%(category)s = '' OR category = %(category)s)
        AND (
            category + 0 > %(rank)s
            OR (category + 0 = %(rank)s AND (name > %(name)s OR (name = %(name)s AND id > CONVERT(%(id)s USING ascii))))
        )
        AND words LIKE %(w0)s AND words LIKE %(w1)s AND words LIKE %(w2)s
        AND words LIKE %(w3)s AND words LIKE %(w4)s AND words LIKE %(w5)s
        AND (%(widest)s = 0 OR COALESCE(JSON_VALUE(body, '$.width_mm'), 0) <= %(widest)s)
        AND (
            %(covers_across)s = 0
            OR category NOT IN ('plate', 'mat', 'stock')
            OR (JSON_VALUE(body, '$.width_mm') >= %(covers_across)s AND JSON_VALUE(body, '$.length_mm') >= %(covers_along)s)
        )
    ORDER BY category, name, id
    LIMIT %(most)s
) AS found
INNER JOIN shelf_items ON shelf_items.id = found.id
ORDER BY shelf_items.category, shelf_items.name, shelf_items.id;

-- name: count_window
SELECT COUNT(*) AS found, COALESCE(SUM(measured), 0) AS measured
FROM shelf_items
WHERE
    (%(category)s = '' OR category = %(category)s)
    AND words LIKE %(w0)s AND words LIKE %(w1)s AND words LIKE %(w2)s
    AND words LIKE %(w3)s AND words LIKE %(w4)s AND words LIKE %(w5)s
    AND (%(widest)s = 0 OR COALESCE(JSON_VALUE(body, '$.width_mm'), 0) <= %(widest)s)
    AND (
        %(covers_across)s = 0
        OR category NOT IN ('plate', 'mat', 'stock')
        OR (JSON_VALUE(body, '$.width_mm') >= %(covers_across)s AND JSON_VALUE(body, '$.length_mm') >= %(covers_along)s)
    );

-- name: list_all
SELECT id, category, name, body, version, shape
FROM shelf_items
ORDER BY category, name, id;

-- name: list_items
SELECT id, category, name, body, version, shape
FROM shelf_items
WHERE category IN ('plate', 'mat', 'tool', 'stock')
ORDER BY category, name, id;

-- name: list_kind
SELECT id, category, name, body, version, shape
FROM shelf_items
WHERE kind = %(kind)s AND category IN ('plate', 'mat', 'tool', 'stock')
ORDER BY category, name, id;

-- name: get
SELECT id, category, name, body, version, shape
FROM shelf_items
WHERE id = CONVERT(%(id)s USING ascii);

-- name: insert
INSERT INTO shelf_items (id, category, name, body, shape)
VALUES (%(id)s, %(category)s, %(name)s, %(body)s, %(shape)s);

-- name: update
UPDATE shelf_items
SET name = %(name)s, category = %(category)s, body = %(body)s, shape = %(shape)s, version = version + 1
WHERE id = CONVERT(%(id)s USING ascii) AND version = %(version)s;

-- name: delete
DELETE FROM shelf_items
WHERE id = CONVERT(%(id)s USING ascii) AND version = %(version)s;

-- name: count_entries
SELECT COUNT(*) AS found
FROM shelf_items;
