"""Why a sandwich works, and why it stands before the next one: in words, with the figures that decided."""

from dataclasses import fields

from lofty_press.core.basics.words import Message, force, listed, number, pressure, say, share, spelled, thickness
from lofty_press.core.working.recipes.cost import Cost
from lofty_press.core.working.recipes.search import Found

SAME = 0.0015  # difference of costs below which two sandwiches are as good as one another in that respect


def per_hundred(chance: float) -> Message:
    """A chance as people say it."""
    if chance < 0.005:
        return say("fewer than 1 in 100")
    return say("about {share} in 100", share=number(chance * 100, 0))


def why_it_works(found: Found) -> tuple[Message, ...]:
    """What holds, with the figures: pressure, margins, the sheet, the handle."""
    assessment, cost = found.assessment, found.cost
    verdict, forming = assessment.verdict, assessment.forming
    said = []
    if verdict is not None:
        need = verdict.need
        said.append(
            say(
                "{pressure} at the sheet; right is {right} to {hard} ({why}).",
                pressure=pressure(verdict.pressure),
                right=number(need.right, 1),
                hard=pressure(need.hard),
                why=need.why,
            )
        )
        thinner, thicker = verdict.margin.thinner_mm, verdict.margin.thicker_mm
        if thinner is not None and thicker is not None:
            spread = verdict.spread
            said.append(
                say(
                    "{thinner} to spare before it's faint, {thicker} before it's too much, in a pile known to {spread}.",
                    thinner=thickness(thinner),
                    thicker=thickness(thicker),
                    spread=thickness(spread),
                )
            )
        said.append(say("Fails in {per_hundred} sheets.", per_hundred=per_hundred(cost.wrong)))
    if forming is not None and forming.crack is not None:
        known = (
            say("an estimate, good to a factor of {off_by}", off_by=number(forming.off_by, 1))
            if forming.estimate
            else say("computed over the sheet")
        )
        said.append(
            say(
                "Stretched to {crack} of what it can take ({known}): cracks in {per_hundred}.",
                crack=number(forming.crack, 2),
                known=known,
                per_hundred=per_hundred(cost.cracked),
            )
        )
    if forming is not None and forming.retained_share is not None:
        said.append(say("Keeps about {retained_share} of the tool's depth.", retained_share=share(forming.retained_share)))
    if assessment.sandwich.press.drive.kind == "hand":
        said.append(
            say(
                "{peak_handle} at the handle; up to {comfort} is easy.",
                peak_handle=force(assessment.nip.peak_handle),
                comfort=force(assessment.sandwich.press.drive.comfort_n),
            )
        )
    return tuple(said)


def why_before(better: Found, worse: Found) -> Message:
    """Why one sandwich stands before another: what it gains, and what it gives up for that."""
    gains: list[tuple[float, Message]] = []
    losses: list[tuple[float, Message]] = []
    for name in (f.name for f in fields(Cost)):
        difference = getattr(worse.cost, name) - getattr(better.cost, name)
        if abs(difference) >= SAME:
            words = in_favour(name, better, worse) if difference > 0 else in_favour(name, worse, better)
            (gains if difference > 0 else losses).append((abs(difference), words))
    told = [words for _, words in sorted(gains, reverse=True)[:2]]
    given_up = [words for _, words in sorted(losses, reverse=True)[:1]]
    other = worse.pile.way.title if worse.pile.tool.key == better.pile.tool.key else worse.pile.tool.item.name
    if not told:
        return say("As good as “{other}”. The order between the two means nothing.", other=other)
    because = listed(told, " and ")
    if given_up:
        return say(
            "Ahead of “{other}” because it {because}, though that one {given_up}.", other=other, because=because, given_up=given_up[0]
        )
    return say("Ahead of “{other}” because it {because}.", other=other, because=because)


def compared_with(found: tuple[Found, ...], place: int) -> Found | None:
    """What a sandwich is to be compared with: the next way round the same tool, else the next of all."""
    tool = found[place].pile.tool.key
    later = found[place + 1 :]
    return next((f for f in later if f.pile.tool.key == tool), later[0] if later else None)


def in_favour(name: str, one: Found, other: Found) -> Message:
    """What one sandwich has over another in one respect, to follow "it"."""
    passes, others = one.pile.passes, other.pile.passes
    layers, other_layers = (sum(laid is not None for laid in f.pile.candidate) for f in (one, other))
    shims, other_shims = (sum(laid.count - 1 for laid in f.pile.candidate if laid) for f in (one, other))
    said = {
        "wrong": say(
            "fails in {per_hundred} sheets, the other in {other}",
            per_hundred=per_hundred(one.cost.wrong),
            other=per_hundred(other.cost.wrong),
        ),
        "cracked": say(
            "cracks in {per_hundred}, the other in {other}",
            per_hundred=per_hundred(one.cost.cracked),
            other=per_hundred(other.cost.cracked),
        ),
        "flat": say("keeps {kept} of the depth, the other {other}", kept=kept(one), other=kept(other)),
        "effort": say(
            "takes {peak_handle} at the handle, the other {other}",
            peak_handle=force(one.assessment.nip.peak_handle),
            other=force(other.assessment.nip.peak_handle),
        ),
        "wear": say("has plates in better shape for it"),
        "layers": fewer(other_layers - layers, other_shims - shims),
        "passes": say("needs one pass, not {others}", others=spelled(others))
        if passes == 1
        else say("needs {passes} passes, not {others}", passes=spelled(passes), others=spelled(others)),
        "mist": say("is done dry"),
        "feed": say("goes in without grabbing") if one.pile.feed.startswith("turned") else say("needs no turning on the bed"),
        "warnings": say("is free of a warning: {warning:small}", warning=warning_of(other)),
    }
    return said[name]


def fewer(layers: int, shims: int) -> Message:
    """How much less there is to pile up."""
    if layers > 0:
        if layers == 1:
            return say("has one layer less")
        return say("has {layers} fewer layers", layers=spelled(layers))
    return say("takes one shim less") if shims <= 1 else say("takes {shims} fewer shims", shims=spelled(shims))


def kept(found: Found) -> Message:
    retained = found.assessment.forming.retained_share if found.assessment.forming else None
    return say("an unknown part") if retained is None else say("{retained}", retained=share(retained))


def warning_of(found: Found) -> Message:
    return next((f.what for f in found.assessment.findings if f.severity == "warn"), say("Something to watch."))
