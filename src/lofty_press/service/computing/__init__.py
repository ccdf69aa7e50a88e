"""What is computed when it is asked for: one folder for each question."""
