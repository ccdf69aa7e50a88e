"""The press room as it is believed to be, learnt from runs and from piles that people know."""
