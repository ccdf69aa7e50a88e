-- depends: 0003_runs

CREATE TABLE IF NOT EXISTS plate_lives (
    id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
    item_id VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    item JSON NOT NULL,
    began_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    ended_at TIMESTAMP(3) NULL,
    measured_bow_mm DOUBLE NULL,
    modelled_bow_mm DOUBLE NULL,
    measured_at TIMESTAMP(3) NULL,
    KEY by_item (item_id, ended_at)
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS blade_patterns (
    id CHAR(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
    name VARCHAR(120) NOT NULL,
    body MEDIUMBLOB NOT NULL
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS plate_marks (
    id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    life_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    run_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    mark_number TINYINT UNSIGNED NOT NULL,
    face ENUM ('face', 'back') NOT NULL,
    pattern_id CHAR(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    x_mm DOUBLE NOT NULL,
    y_mm DOUBLE NOT NULL,
    turn_deg DOUBLE NOT NULL,
    depth_mm DOUBLE NOT NULL,
    load_n_per_mm DOUBLE NOT NULL,
    pressure_mpa DOUBLE NOT NULL,
    made_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    UNIQUE KEY once_a_run (run_id, mark_number),
    KEY by_face (life_id, face, pattern_id),
    FOREIGN KEY (life_id) REFERENCES plate_lives (id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS plate_wear (
    life_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    face ENUM ('face', 'back') NOT NULL,
    marks INT UNSIGNED NOT NULL,
    body MEDIUMBLOB NOT NULL,
    PRIMARY KEY (life_id, face),
    FOREIGN KEY (life_id) REFERENCES plate_lives (id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;
