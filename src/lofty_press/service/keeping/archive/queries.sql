-- name: shelf_after
SELECT id, category, name, version, shape, body, created_at, updated_at
FROM shelf_items
WHERE id > CONVERT(%(after)s USING ascii)
ORDER BY id
LIMIT 200;

-- name: sandwiches_after
SELECT id, name, version, shape, body, created_at, updated_at
FROM sandwiches
WHERE id > CONVERT(%(after)s USING ascii)
ORDER BY id
LIMIT 200;

-- name: jobs_after
SELECT id, name, version, shape, body, created_at, updated_at
FROM jobs
WHERE id > CONVERT(%(after)s USING ascii)
ORDER BY id
LIMIT 200;

-- name: paper_after
SELECT id, name, version, shape, body, created_at, updated_at
FROM paper
WHERE id > CONVERT(%(after)s USING ascii)
ORDER BY id
LIMIT 200;

-- name: practice_after
SELECT id, name, version, shape, body, created_at, updated_at
FROM practice
WHERE id > CONVERT(%(after)s USING ascii)
ORDER BY id
LIMIT 200;

-- name: runs_after
SELECT id, sandwich_id, name, state, version, shape, body, created_at, updated_at
FROM runs
WHERE id > CONVERT(%(after)s USING ascii)
ORDER BY id
LIMIT 200;

-- name: reliefs_after
SELECT id, name, body
FROM reliefs
WHERE id > CONVERT(%(after)s USING ascii)
ORDER BY id
LIMIT 4;

-- name: photos_after
SELECT run_id AS id, body
FROM run_photos
WHERE run_id > CONVERT(%(after)s USING ascii)
ORDER BY run_id
LIMIT 8;

-- name: pictures_after
SELECT id, body
FROM pictures
WHERE id > CONVERT(%(after)s USING ascii)
ORDER BY id
LIMIT 8;

-- name: patterns_after
SELECT id, name, body
FROM blade_patterns
WHERE id > CONVERT(%(after)s USING ascii)
ORDER BY id
LIMIT 20;

-- name: lives_after
SELECT id, item_id, item, shape, began_at, ended_at, measured_bow_mm, modelled_bow_mm, measured_at
FROM plate_lives
WHERE id > CONVERT(%(after)s USING ascii)
ORDER BY id
LIMIT 50;

-- name: marks_of
SELECT run_id, mark_number, face, pattern_id, x_mm, y_mm, turn_deg, depth_mm, load_n_per_mm, pressure_mpa, made_at
FROM plate_marks
WHERE life_id = CONVERT(%(life_id)s USING ascii)
ORDER BY id;

-- name: settings
SELECT name, body
FROM settings
ORDER BY name;

-- name: find_shelf
SELECT category, name, shape, body
FROM shelf_items
WHERE id = CONVERT(%(id)s USING ascii);

-- name: find_sandwich
SELECT name, shape, body
FROM sandwiches
WHERE id = CONVERT(%(id)s USING ascii);

-- name: find_job
SELECT name, shape, body
FROM jobs
WHERE id = CONVERT(%(id)s USING ascii);

-- name: find_paper
SELECT name, shape, body
FROM paper
WHERE id = CONVERT(%(id)s USING ascii);

-- name: find_practice
SELECT name, shape, body
FROM practice
WHERE id = CONVERT(%(id)s USING ascii);

-- name: find_run
SELECT sandwich_id, name, state, shape, body
FROM runs
WHERE id = CONVERT(%(id)s USING ascii);

-- name: find_relief
SELECT body
FROM reliefs
WHERE id = CONVERT(%(id)s USING ascii);

-- name: find_photo
SELECT body
FROM run_photos
WHERE run_id = CONVERT(%(id)s USING ascii);

-- name: find_picture
SELECT body
FROM pictures
WHERE id = CONVERT(%(id)s USING ascii);

-- name: find_pattern
SELECT body
FROM blade_patterns
WHERE id = CONVERT(%(id)s USING ascii);

-- name: find_life
SELECT item_id, ended_at, measured_bow_mm, modelled_bow_mm, measured_at
FROM plate_lives
WHERE id = CONVERT(%(id)s USING ascii);

-- name: count_run
SELECT COUNT(*) AS found
FROM runs
WHERE id = CONVERT(%(id)s USING ascii);

-- name: find_setting
SELECT body
FROM settings
WHERE name = CONVERT(%(id)s USING ascii);

-- name: put_shelf
INSERT INTO shelf_items (id, category, name, version, shape, body, created_at, updated_at)
VALUES (%(id)s, %(category)s, %(name)s, %(version)s, %(shape)s, %(body)s, %(created_at)s, %(updated_at)s)
ON DUPLICATE KEY UPDATE
    category = VALUES(category), name = VALUES(name), shape = VALUES(shape), body = VALUES(body), version = version + 1;

-- name: put_sandwich
INSERT INTO sandwiches (id, name, version, shape, body, created_at, updated_at)
VALUES (%(id)s, %(name)s, %(version)s, %(shape)s, %(body)s, %(created_at)s, %(updated_at)s)
ON DUPLICATE KEY UPDATE name = VALUES(name), shape = VALUES(shape), body = VALUES(body), version = version + 1;

-- name: put_job
INSERT INTO jobs (id, name, version, shape, body, created_at, updated_at)
VALUES (%(id)s, %(name)s, %(version)s, %(shape)s, %(body)s, %(created_at)s, %(updated_at)s)
ON DUPLICATE KEY UPDATE name = VALUES(name), shape = VALUES(shape), body = VALUES(body), version = version + 1;

-- name: put_paper
INSERT INTO paper (id, name, version, shape, body, created_at, updated_at)
VALUES (%(id)s, %(name)s, %(version)s, %(shape)s, %(body)s, %(created_at)s, %(updated_at)s)
ON DUPLICATE KEY UPDATE name = VALUES(name), shape = VALUES(shape), body = VALUES(body), version = version + 1;

-- name: put_practice
INSERT INTO practice (id, name, version, shape, body, created_at, updated_at)
VALUES (%(id)s, %(name)s, %(version)s, %(shape)s, %(body)s, %(created_at)s, %(updated_at)s)
ON DUPLICATE KEY UPDATE name = VALUES(name), shape = VALUES(shape), body = VALUES(body), version = version + 1;

-- name: put_run
INSERT INTO runs (id, sandwich_id, name, state, version, shape, body, created_at, updated_at)
VALUES
    (%(id)s, %(sandwich_id)s, %(name)s, %(state)s, %(version)s, %(shape)s, %(body)s, %(created_at)s, %(updated_at)s)
ON DUPLICATE KEY UPDATE
    sandwich_id = VALUES(sandwich_id), name = VALUES(name), state = VALUES(state), shape = VALUES(shape), body = VALUES(body),
    words = NULL, version = version + 1;

-- name: put_relief
INSERT IGNORE INTO reliefs (id, name, body)
VALUES (%(id)s, %(name)s, %(body)s);

-- name: put_photo
INSERT INTO run_photos (run_id, body)
VALUES (%(id)s, %(body)s)
ON DUPLICATE KEY UPDATE body = VALUES(body);

-- name: put_picture
INSERT IGNORE INTO pictures (id, body)
VALUES (%(id)s, %(body)s);

-- name: put_pattern
INSERT IGNORE INTO blade_patterns (id, name, body)
VALUES (%(id)s, %(name)s, %(body)s);

-- name: put_life
INSERT INTO plate_lives (id, item_id, item, shape, began_at, ended_at, measured_bow_mm, modelled_bow_mm, measured_at)
VALUES
    (
        %(id)s, %(item_id)s, %(item)s, %(shape)s, %(began_at)s, %(ended_at)s,
        %(measured_bow_mm)s, %(modelled_bow_mm)s, %(measured_at)s
    )
ON DUPLICATE KEY UPDATE
    ended_at = VALUES(ended_at), measured_bow_mm = VALUES(measured_bow_mm), modelled_bow_mm = VALUES(modelled_bow_mm),
    measured_at = VALUES(measured_at);

-- name: put_mark
INSERT IGNORE INTO plate_marks
    (
        life_id, run_id, mark_number, face, pattern_id, x_mm, y_mm, turn_deg, depth_mm, load_n_per_mm, pressure_mpa, made_at
    )
VALUES
    (
        %(life_id)s, %(run_id)s, %(mark_number)s, %(face)s, %(pattern_id)s, %(x_mm)s, %(y_mm)s, %(turn_deg)s, %(depth_mm)s,
        %(load_n_per_mm)s, %(pressure_mpa)s, %(made_at)s
    );

-- name: forget_wear
DELETE FROM plate_wear
WHERE life_id = CONVERT(%(life_id)s USING ascii);

-- name: put_setting
INSERT INTO settings (name, body)
VALUES (%(name)s, %(body)s)
ON DUPLICATE KEY UPDATE body = VALUES(body);
