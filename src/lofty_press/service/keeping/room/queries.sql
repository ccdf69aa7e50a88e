-- name: lessons
SELECT id, name, body, shape, created_at, TIMESTAMPDIFF(DAY, created_at, UTC_TIMESTAMP()) AS days
FROM runs
WHERE
    state = 'finished'
    AND (result IS NOT NULL OR JSON_VALUE(body, '$.paper_sheets') > 0 OR JSON_VALUE(body, '$.trace.ended') IS NOT NULL)
ORDER BY created_at DESC, id
LIMIT %(most)s;

-- name: mark
SELECT
    (SELECT COALESCE(MAX(updated_at), '') FROM runs WHERE state <> 'open') AS runs_at,
    (SELECT COUNT(*) FROM runs WHERE state <> 'open') AS runs,
    (SELECT COALESCE(MAX(updated_at), '') FROM shelf_items) AS shelf_at,
    (SELECT COUNT(*) FROM shelf_items) AS things;

-- name: known
SELECT COUNT(*) AS known
FROM runs
WHERE
    state = 'finished'
    AND JSON_VALUE(body, '$.known') IN ('1', 'true')
    AND COALESCE(JSON_VALUE(body, '$.left_out'), '0') NOT IN ('1', 'true');
