-- depends: 0004_plates

-- Databases made on the day when 0004 was still in the works call these two by other names.
ALTER TABLE plate_marks CHANGE COLUMN IF EXISTS pass_number mark_number TINYINT UNSIGNED NOT NULL;
ALTER TABLE plate_marks DROP INDEX IF EXISTS once_a_pass;
ALTER TABLE plate_marks ADD UNIQUE KEY IF NOT EXISTS once_a_run (run_id, mark_number);

CREATE TABLE IF NOT EXISTS made_once (
    request_key VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
    digest CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    made VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT '',
    made_at TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
    KEY by_time (made_at)
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS settings (
    name VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
    body JSON NOT NULL,
    updated_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3) ON UPDATE CURRENT_TIMESTAMP(3)
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

-- The shape of a stored body: rows from before are of shape 0 and are converted when they are read.
ALTER TABLE shelf_items ADD COLUMN IF NOT EXISTS shape SMALLINT UNSIGNED NOT NULL DEFAULT 0;
ALTER TABLE sandwiches ADD COLUMN IF NOT EXISTS shape SMALLINT UNSIGNED NOT NULL DEFAULT 0;
ALTER TABLE runs ADD COLUMN IF NOT EXISTS shape SMALLINT UNSIGNED NOT NULL DEFAULT 0;
ALTER TABLE plate_lives ADD COLUMN IF NOT EXISTS shape SMALLINT UNSIGNED NOT NULL DEFAULT 0;

-- What lists show, so that no list reads a body.
ALTER TABLE shelf_items ADD COLUMN IF NOT EXISTS kind VARCHAR(32)
AS (LEFT(COALESCE(JSON_VALUE(body, '$.kind'), ''), 32)) PERSISTENT;
ALTER TABLE shelf_items ADD COLUMN IF NOT EXISTS measured BOOLEAN
AS (COALESCE(JSON_VALUE(body, '$.thickness.source'), JSON_VALUE(body, '$.opening.source'), '') = 'gauge') PERSISTENT;
ALTER TABLE sandwiches ADD COLUMN IF NOT EXISTS press VARCHAR(120)
AS (LEFT(COALESCE(JSON_VALUE(body, '$.press.name'), ''), 120)) PERSISTENT;
ALTER TABLE sandwiches ADD COLUMN IF NOT EXISTS effect VARCHAR(32)
AS (LEFT(COALESCE(JSON_VALUE(body, '$.effect.kind'), ''), 32)) PERSISTENT;
ALTER TABLE sandwiches ADD COLUMN IF NOT EXISTS layers SMALLINT UNSIGNED
AS (COALESCE(JSON_LENGTH(body, '$.layers'), 0)) PERSISTENT;
ALTER TABLE runs ADD COLUMN IF NOT EXISTS result VARCHAR(32)
AS (LEFT(JSON_VALUE(body, '$.result'), 32)) PERSISTENT;
ALTER TABLE runs ADD COLUMN IF NOT EXISTS press VARCHAR(120)
AS (LEFT(JSON_VALUE(body, '$.sandwich.press.name'), 120)) PERSISTENT;

-- What typed words are looked for in, in small letters and compared byte by byte, which is many times faster than by a language's rules.
ALTER TABLE shelf_items ADD COLUMN IF NOT EXISTS words VARCHAR(160) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin
AS (LEFT(LOWER(CONCAT(name, ' ', COALESCE(JSON_VALUE(body, '$.kind'), ''))), 160)) PERSISTENT;
ALTER TABLE sandwiches ADD COLUMN IF NOT EXISTS words VARCHAR(280) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin
AS (
    LEFT(
        LOWER(CONCAT(
            name, ' ', COALESCE(JSON_VALUE(body, '$.effect.kind'), ''), ' ', COALESCE(JSON_VALUE(body, '$.press.name'), '')
        )), 280
    )
) PERSISTENT;

ALTER TABLE sandwiches ADD KEY IF NOT EXISTS listing (updated_at DESC, name, id, words, press, effect, layers, version);
ALTER TABLE shelf_items ADD KEY IF NOT EXISTS listing (category, name, id, kind, measured, words);
ALTER TABLE shelf_items ADD KEY IF NOT EXISTS by_kind (kind, name, id);
ALTER TABLE runs ADD KEY IF NOT EXISTS listing (created_at DESC, id, name, state, sandwich_id, version, updated_at, result, press);
ALTER TABLE runs ADD KEY IF NOT EXISTS by_state (state, created_at DESC, id);
