-- name: to_read
SET TRANSACTION ISOLATION LEVEL REPEATABLE READ, READ ONLY;

-- name: to_write
SET TRANSACTION ISOLATION LEVEL READ COMMITTED, READ WRITE;

-- name: take_key
INSERT IGNORE INTO made_once (request_key, digest)
VALUES (%(key)s, %(digest)s);

-- name: note_made
UPDATE made_once
SET made = %(made)s
WHERE request_key = CONVERT(%(key)s USING ascii);

-- name: read_key
SELECT digest, made
FROM made_once
WHERE request_key = CONVERT(%(key)s USING ascii);

-- name: forget_keys
DELETE FROM made_once
WHERE made_at < CURRENT_TIMESTAMP - INTERVAL %(days)s DAY;
