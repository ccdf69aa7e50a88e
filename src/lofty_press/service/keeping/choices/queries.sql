-- name: list_settings
SELECT name, body
FROM settings
ORDER BY name;

-- name: put_setting
INSERT INTO settings (name, body)
VALUES (%(name)s, %(body)s)
ON DUPLICATE KEY UPDATE body = VALUES(body);
