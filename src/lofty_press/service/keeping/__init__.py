"""What somebody owns or made, and how it is stored: one folder for each noun."""
