"""The catalogue of all texts and the rules of plain speech."""
