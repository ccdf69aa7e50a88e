"""Pictures of piles and sheets."""
