-- name: current_life
SELECT id, item_id, item, shape, began_at, ended_at, measured_bow_mm, modelled_bow_mm, measured_at
FROM plate_lives
WHERE item_id = CONVERT(%(item_id)s USING ascii) AND ended_at IS NULL
ORDER BY began_at DESC
LIMIT 1;

-- name: current_lives
SELECT id, item_id, item, shape, began_at, ended_at, measured_bow_mm, modelled_bow_mm, measured_at
FROM plate_lives
WHERE ended_at IS NULL
ORDER BY began_at, id;

-- name: begin_life
INSERT INTO plate_lives (id, item_id, item, shape)
VALUES (%(id)s, %(item_id)s, %(item)s, %(shape)s);

-- name: end_life
UPDATE plate_lives
SET ended_at = CURRENT_TIMESTAMP(3)
WHERE id = CONVERT(%(id)s USING ascii) AND ended_at IS NULL;

-- name: past_lives
SELECT COUNT(*) AS lives
FROM plate_lives
WHERE item_id = CONVERT(%(item_id)s USING ascii) AND ended_at IS NOT NULL;

-- name: keep_bow
UPDATE plate_lives
SET
    measured_bow_mm = %(measured)s,
    modelled_bow_mm = %(modelled)s,
    measured_at = IF(%(measured)s IS NULL, NULL, CURRENT_TIMESTAMP(3))
WHERE id = CONVERT(%(id)s USING ascii);

-- name: keep_pattern
INSERT INTO blade_patterns (id, name, body)
VALUES (%(id)s, %(name)s, %(body)s)
ON DUPLICATE KEY UPDATE id = VALUES(id);

-- name: patterns_of
SELECT DISTINCT blade_patterns.id, blade_patterns.body
FROM blade_patterns
INNER JOIN plate_marks ON plate_marks.pattern_id = blade_patterns.id
WHERE plate_marks.life_id = CONVERT(%(life_id)s USING ascii);

-- name: keep_mark
INSERT IGNORE INTO plate_marks
    (life_id, run_id, mark_number, face, pattern_id, x_mm, y_mm, turn_deg, depth_mm, load_n_per_mm, pressure_mpa)
VALUES
    (
        %(life_id)s, %(run_id)s, %(mark_number)s, %(face)s, %(pattern_id)s,
        %(x)s, %(y)s, %(turn)s, %(depth)s, %(load)s, %(pressure)s
    );

-- name: marks_of_run
SELECT COUNT(*) AS marks
FROM plate_marks
WHERE run_id = CONVERT(%(run_id)s USING ascii);

-- name: marks_of
SELECT face, pattern_id, x_mm, y_mm, turn_deg, depth_mm
FROM plate_marks
WHERE life_id = CONVERT(%(life_id)s USING ascii)
ORDER BY id;

-- name: count_marks
SELECT face, COUNT(*) AS marks
FROM plate_marks
WHERE life_id = CONVERT(%(life_id)s USING ascii)
GROUP BY face;

-- name: count_missing
SELECT COUNT(*) AS marks
FROM plate_marks
LEFT JOIN blade_patterns ON blade_patterns.id = plate_marks.pattern_id
WHERE plate_marks.life_id = CONVERT(%(life_id)s USING ascii) AND blade_patterns.id IS NULL;

-- name: lock_item
SELECT id
FROM shelf_items
WHERE id = CONVERT(%(item_id)s USING ascii)
FOR UPDATE;

-- name: lock_life
SELECT id
FROM plate_lives
WHERE id = CONVERT(%(id)s USING ascii)
FOR UPDATE;

-- name: get_wear
SELECT face, marks, body
FROM plate_wear
WHERE life_id = CONVERT(%(life_id)s USING ascii);

-- name: keep_wear
INSERT INTO plate_wear (life_id, face, marks, body)
VALUES (%(life_id)s, %(face)s, %(marks)s, %(body)s)
ON DUPLICATE KEY UPDATE marks = VALUES(marks), body = VALUES(body);
