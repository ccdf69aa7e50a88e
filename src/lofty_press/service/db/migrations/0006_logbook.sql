-- depends: 0005_sound

-- What runs are found by in the logbook, written beside the body; rows from before are filled in once the application is up.
ALTER TABLE runs ADD COLUMN IF NOT EXISTS tool VARCHAR(120) NULL;
ALTER TABLE runs ADD COLUMN IF NOT EXISTS stock VARCHAR(120) NULL;
ALTER TABLE runs ADD COLUMN IF NOT EXISTS tags VARCHAR(640) NULL;
ALTER TABLE runs ADD COLUMN IF NOT EXISTS words TEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NULL;
ALTER TABLE runs ADD KEY IF NOT EXISTS by_tool (tool, created_at DESC, id);
ALTER TABLE runs ADD KEY IF NOT EXISTS by_stock (stock, created_at DESC, id);
