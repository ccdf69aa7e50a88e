"""A sandwich rolled through in full: the nip's own computation that goes before the sheet's."""

from dataclasses import dataclass

from lofty_press.core.basics.errors import NotSettled
from lofty_press.core.mechanics.forming.closing import closing_of
from lofty_press.core.mechanics.nip import Exact, Report, build_field, exact_of, lay_out, roll_through, solve_nip
from lofty_press.core.sandwich.relief import Library
from lofty_press.core.sandwich.stack import Sandwich, StackView, check_sandwich

SPACING = 2.0  # mm; half of it changes the mean over the work by under 3 % in the demo world


@dataclass(frozen=True)
class Rolled:
    """The full nip, None where there is none to compute: nothing to work on, nothing pressed, or nothing drawn in. Not `converged` if a position
    did not balance: `unbalanced` is the largest pressure left over, as a share of the highest [1], and nothing is shown."""

    exact: Exact | None
    converged: bool
    unbalanced: float

    def settled(self) -> Exact | None:
        """The full nip, None where there is none.

        Raises
        ------
        NotSettled
            If a position did not balance.
        """
        if not self.converged:
            raise NotSettled(self.unbalanced)
        return self.exact


NOTHING = Rolled(None, converged=True, unbalanced=0.0)


def roll(sandwich: Sandwich, library: Library, *, spacing: float = SPACING, report: Report = lambda _: None) -> Rolled:
    """Roll a sandwich through.

    Parameters
    ----------
    sandwich : Sandwich
    library : callable
        Finds the relief maps of its tools.
    spacing : float
        Cell size. [mm]
    report : callable
        Told what share is done; an exception that it raises stops the run.

    Raises
    ------
    InvalidInput
        If parts of the sandwich contradict one another or cannot be computed.
    """
    check_sandwich(sandwich)
    view = StackView(sandwich)
    closing = closing_of(view, library)
    nip = solve_nip(build_field(view, closing.blade, closing.interface, library), view.press)
    if not nip.bites or nip.peak_force <= 0.0:
        return NOTHING
    layout = lay_out(view, closing.blade, closing.interface, library, spacing)
    if layout is None:
        return NOTHING
    passed = roll_through(layout, view.press, nip.peak_force, report)
    worst = float(passed.unbalanced.max(initial=0.0))
    return Rolled(exact_of(passed, nip) if passed.converged else None, passed.converged, worst)
