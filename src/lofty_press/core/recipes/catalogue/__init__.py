"""All effects. A new one is a value in one of these files, and nothing else."""

from lofty_press.core.errors import InvalidInput
from lofty_press.core.recipes.catalogue import afterwards, dies, folders, lines, plates
from lofty_press.core.recipes.effect import Effect

EFFECTS: dict[str, Effect] = {
    effect.key: effect for effect in (*folders.EFFECTS, *dies.EFFECTS, *lines.EFFECTS, *plates.EFFECTS, *afterwards.EFFECTS)
}


def effect_named(key: str) -> Effect:
    """The effect with a key; refuses an unknown one with the list of those there are."""
    if key not in EFFECTS:
        raise InvalidInput("effect", key, f"must be one of {', '.join(sorted(EFFECTS))}")
    return EFFECTS[key]
