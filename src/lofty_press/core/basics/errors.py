"""Refusals of the core; each names the field, its value and what it would have to be."""

import reprlib


def short(value: object) -> str:
    """A value as shown in a message, cut short if it is long."""
    return reprlib.repr(value)


class InvalidInput(ValueError):
    """A value that the computation cannot work with."""

    def __init__(self, field: str, value: object, requirement: str) -> None:
        super().__init__(f"{field}: {requirement} (got {short(value)})")
        self.field = field
        self.value = value
        self.requirement = requirement


class NoBalance(ArithmeticError):
    """The force balance of the nip did not close."""

    def __init__(self, iterations: int, residual: float) -> None:
        super().__init__(f"force balance did not close: residual {residual:.3g} N after {iterations} iterations")
        self.iterations = iterations
        self.residual = residual


class NotSettled(NoBalance):
    """The full nip stopped before its pressures balanced: nothing of it is shown."""

    def __init__(self, unbalanced: float) -> None:
        ArithmeticError.__init__(
            self, f"the full nip stopped {unbalanced:.2g} of its highest pressure from a balance; nothing of it is shown"
        )
        self.residual = unbalanced
