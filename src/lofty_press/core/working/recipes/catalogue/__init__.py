"""All effects. A new one is a value in one of these files, and nothing else."""

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.working.recipes.catalogue import afterwards, dies, folders, leather_and_foam, lines, metal_and_board, plates
from lofty_press.core.working.recipes.effect import Effect

EFFECTS: dict[str, Effect] = {
    effect.key: effect
    for effect in (
        *folders.EFFECTS,
        *dies.EFFECTS,
        *lines.EFFECTS,
        *metal_and_board.EFFECTS,
        *leather_and_foam.EFFECTS,
        *plates.EFFECTS,
        *afterwards.EFFECTS,
    )
}


def effect_named(key: str) -> Effect:
    """The effect with a key; refuses an unknown one with the list of those there are."""
    if key not in EFFECTS:
        raise InvalidInput("effect", key, say("must be one of {choices}", choices=", ".join(sorted(EFFECTS))))
    return EFFECTS[key]
