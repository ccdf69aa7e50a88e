"""What every route shares: bodies, dependencies, refusals, the door."""
