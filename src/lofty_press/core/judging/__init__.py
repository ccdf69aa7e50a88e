"""Whether it comes out right, how sure that is, why, and what would mend it."""
