"""What went wrong, and drills."""
