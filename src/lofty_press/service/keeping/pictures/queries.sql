-- name: keep_picture
INSERT INTO pictures (id, body)
VALUES (%(id)s, %(body)s)
ON DUPLICATE KEY UPDATE id = id;

-- name: get_picture
SELECT body
FROM pictures
WHERE id = CONVERT(%(id)s USING ascii);
