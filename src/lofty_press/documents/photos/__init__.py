"""Photos as people send them, and what was read from them."""
