"""Why a sandwich works, and why it stands before the next one: in words, with the figures that decided."""

from dataclasses import fields

from lofty_press.core.recipes.cost import Cost
from lofty_press.core.recipes.search import Found
from lofty_press.core.units import in_words

SAME = 0.0015  # difference of costs below which two sandwiches are as good as one another in that respect


def per_hundred(share: float) -> str:
    """A chance as people say it."""
    if share < 0.005:
        return "fewer than 1 in 100"
    return f"about {share * 100:.0f} in 100"


def why_it_works(found: Found) -> tuple[str, ...]:
    """What holds, with the figures: pressure, margins, the sheet, the handle."""
    assessment, cost = found.assessment, found.cost
    verdict, forming = assessment.verdict, assessment.forming
    said = []
    if verdict is not None:
        need = verdict.need
        said.append(f"{verdict.pressure:.1f} MPa at the sheet; right is {need.right:.1f} to {need.hard:.1f} MPa ({need.why}).")
        thinner, thicker = verdict.margin.thinner_mm, verdict.margin.thicker_mm
        if thinner is not None and thicker is not None:
            spread = verdict.spread
            said.append(f"{thinner:.2f} mm to spare towards faint, {thicker:.2f} mm towards too much, in a pile known to {spread:.2f} mm.")
        said.append(f"Not right in {per_hundred(cost.wrong)} sheets.")
    if forming is not None and forming.crack is not None:
        known = f"an estimate, good to a factor of {forming.off_by:.1f}" if forming.estimate else "computed over the sheet"
        said.append(f"Stretched to {forming.crack:.2f} of what it bears ({known}): cracks in {per_hundred(cost.cracked)}.")
    if forming is not None and forming.retained_share is not None:
        said.append(f"Keeps about {forming.retained_share:.0%} of the tool's depth.")
    if assessment.sandwich.press.drive.kind == "hand":
        said.append(f"{assessment.nip.peak_handle:.0f} N at the handle; up to {assessment.sandwich.press.drive.comfort_n:.0f} N is easy.")
    return tuple(said)


def why_before(better: Found, worse: Found) -> str:
    """Why one sandwich stands before another: what it gains, and what it gives up for that."""
    gains: list[tuple[float, str]] = []
    losses: list[tuple[float, str]] = []
    for name in (f.name for f in fields(Cost)):
        difference = getattr(worse.cost, name) - getattr(better.cost, name)
        if abs(difference) >= SAME:
            words = in_favour(name, better, worse) if difference > 0 else in_favour(name, worse, better)
            (gains if difference > 0 else losses).append((abs(difference), words))
    told = [words for _, words in sorted(gains, reverse=True)[:2]]
    given_up = [words for _, words in sorted(losses, reverse=True)[:1]]
    other = worse.pile.way.title if worse.pile.tool.key == better.pile.tool.key else worse.pile.tool.item.name
    if not told:
        return f"As good as “{other}”; the order between the two means nothing."
    return f"Before “{other}” because it {' and '.join(told)}{f', though that one {given_up[0]}' if given_up else ''}."


def compared_with(found: tuple[Found, ...], place: int) -> Found | None:
    """What a sandwich is to be compared with: the next way round the same tool, else the next of all."""
    tool = found[place].pile.tool.key
    later = found[place + 1 :]
    return next((f for f in later if f.pile.tool.key == tool), later[0] if later else None)


def in_favour(name: str, one: Found, other: Found) -> str:
    """What one sandwich has over another in one respect, to follow "it"."""
    passes, others = one.pile.passes, other.pile.passes
    layers, other_layers = (sum(laid is not None for laid in f.pile.candidate) for f in (one, other))
    shims, other_shims = (sum(laid.count - 1 for laid in f.pile.candidate if laid) for f in (one, other))
    said = {
        "wrong": f"is off in {per_hundred(one.cost.wrong)} sheets against {per_hundred(other.cost.wrong)}",
        "cracked": f"cracks in {per_hundred(one.cost.cracked)} against {per_hundred(other.cost.cracked)}",
        "flat": f"keeps {kept(one)} of the depth against {kept(other)}",
        "effort": f"turns with {one.assessment.nip.peak_handle:.0f} N against {other.assessment.nip.peak_handle:.0f} N",
        "wear": "uses plates in better state for it",
        "layers": fewer(other_layers - layers, other_shims - shims),
        "passes": f"takes {in_words(passes)} {'pass' if passes == 1 else 'passes'} instead of {in_words(others)}",
        "mist": "is done dry",
        "feed": "goes in without grabbing" if one.pile.feed.startswith("turned") else "needs no turning on the bed",
        "warnings": f"is free of a warning: {warning_of(other)}",
    }
    return said[name]


def fewer(layers: int, shims: int) -> str:
    """How much less there is to pile up."""
    if layers > 0:
        return f"has {in_words(layers)} layer{'s' if layers > 1 else ''} less to pile up"
    return f"takes {in_words(max(shims, 1))} shim{'s' if shims > 1 else ''} less"


def kept(found: Found) -> str:
    share = found.assessment.forming.retained_share if found.assessment.forming else None
    return "an unknown part" if share is None else f"{share:.0%}"


def warning_of(found: Found) -> str:
    warning = next((f.what for f in found.assessment.findings if f.severity == "warn"), "something to watch")
    return warning[0].lower() + warning[1:].rstrip(".")
