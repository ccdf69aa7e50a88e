"""From a wish to finished cards: recipes, plans, the order of work, run cards, setting out."""
