"""What the core has to say about a sandwich beyond its verdict."""

from collections.abc import Callable, Iterable
from dataclasses import dataclass
from typing import Literal

from lofty_press.core.basics.words import Message
from lofty_press.core.judging.findings.claims import CLAIMS, Claim
from lofty_press.core.judging.findings.codes import TRAITS
from lofty_press.core.judging.orientation import Orientation
from lofty_press.core.judging.verdict import Sweep, Verdict
from lofty_press.core.mechanics.effects import BladeContact
from lofty_press.core.mechanics.forming import Closing, FormingSummary
from lofty_press.core.mechanics.needs import Need
from lofty_press.core.mechanics.nip import Nip
from lofty_press.core.sandwich.stack import StackView, Suggestion
from lofty_press.core.sandwich.stock import WorkingSheet

Severity = Literal["stop", "warn", "advise", "care"]
SEVERITIES: tuple[Severity, ...] = ("stop", "warn", "advise", "care")


@dataclass(frozen=True)
class Finding:
    """One call: a stable code, how grave it is, which layer it concerns, what is so and why it matters; `says` is what it claims here besides what its code
    always does."""

    code: str
    severity: Severity
    what: Message
    why: Message
    layer: str | None = None
    fix: Suggestion | None = None
    says: tuple[Claim, ...] = ()

    @property
    def spoils(self) -> bool:
        """True for what spoils the sheet however well it is pressed."""
        return self.severity == "stop" or (self.severity == "warn" and TRAITS[self.code].spoils)

    @property
    def claims(self) -> tuple[Claim, ...]:
        """All that it claims."""
        return (*CLAIMS.get(self.code, ()), *self.says)


@dataclass(frozen=True)
class Evidence:
    """All that a rule may look at; `verdict` and `need` are None while the sandwich is incomplete, `forming` also
    where nothing is formed."""

    view: StackView
    nip: Nip
    closing: Closing
    need: Need | None
    sweep: Sweep
    verdict: Verdict | None
    orientation: Orientation
    forming: FormingSummary | None = None

    @property
    def blade(self) -> BladeContact | None:
        return self.closing.blade

    @property
    def sheet_state(self) -> WorkingSheet | None:
        return self.closing.state


Rule = Callable[[Evidence], Iterable[Finding]]
