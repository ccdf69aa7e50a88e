"""Photos of things: in over HTTP, kept in the database, shown again."""
