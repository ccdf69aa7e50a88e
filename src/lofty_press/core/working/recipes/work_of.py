"""The work of an effect: what its recipe does by hand around the run, in its order. Every place that speaks of order reads it here."""

from collections.abc import Iterator

from lofty_press.core.sandwich.stack import EFFECT_TRAITS
from lofty_press.core.working.recipes.effect import Effect, Task, Way
from lofty_press.core.working.work import Chain, Step, WorkKey, why_between, within_of


def pressed_as(effect: Effect) -> WorkKey:
    """The kind of work that its run is."""
    return "cut" if EFFECT_TRAITS[effect.kind].only_cuts else "emboss"


def chain_of(
    effect: Effect,
    way: Way | None = None,
    *,
    mist: bool = False,
    ink: bool | None = None,
    pile: str | None = None,
    passes: int | None = None,
) -> Chain:
    """All steps of an effect on one piece.

    Parameters
    ----------
    effect : Effect
    way : Way or None
        The school; the first if none is said.
    mist : bool
        The sheet is misted for it.
    ink : bool or None
        Something in the pile is inked; None for as is usual with this effect.
    pile : str or None
        The sandwich that it is pressed in.
    passes : int or None
        To and fro counts as two; None for the fewest of the way.
    """
    way = way or effect.ways[0]
    inked = any(slot.inked for slot in way.slots) and (not effect.bare if ink is None else ink)
    tasks = [task for task in (*effect.prepare, *way.prepare) if task.asked(damp=mist, inked=inked)]
    after = [task for task in (*way.finish, *effect.finish) if task.asked(damp=mist, inked=inked)]
    steps = [step for task in tasks for step in steps_of(task)]
    steps += [Step("ink")] if inked else []
    steps += [Step("mist")] if mist else []
    steps += [Step(pressed_as(effect), seconds=way.run_s or effect.run_s)]
    if mist and not any(task.work == "dry flat" for task in after):
        steps.append(Step("dry flat"))
    steps += [step for task in after for step in steps_of(task)]
    return Chain(tuple(linked(steps)), effect.title, pile)


def steps_of(task: Task) -> Iterator[Step]:
    """A task as steps: the work, and the wait after it."""
    if task.work is None:
        return
    waits = task.work in ("dry", "dry flat", "cool", "soak", "set")
    yield Step(task.work, within=task.within_s, seconds=task.wait_s if waits else None)
    if task.wait_s and task.wait_for == "drying" and not waits:
        yield Step("dry", seconds=task.wait_s)


def linked(steps: list[Step]) -> Iterator[Step]:
    """The steps, each with why and how soon it comes after those before it."""
    for n, step in enumerate(steps):
        befores = [one.work for one in reversed(steps[:n])]
        why = next((said for said in (why_between(before, step.work) for before in befores) if said), step.why)
        soons = [soon for soon in (within_of(before, step.work) for before in befores) if soon is not None]
        held = step.work == "mist" and "ink" in befores  # between ink and press nothing may last
        within = step.within or (min(soons) if soons else 60.0 if held else None)
        yield Step(step.work, within=within, seconds=step.seconds, why=why)
