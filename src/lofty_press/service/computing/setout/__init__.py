"""Setting a press room out: a press by its size, things by a list, piles that work already."""
