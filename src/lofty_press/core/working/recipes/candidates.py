"""All ways to fill the open slots of a partial pile with plates and shims, as arrays: thickness, compliance, scatter and bother of each."""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from lofty_press.core.sandwich.stack import FloatArray, Item, confined_of
from lofty_press.core.working.recipes.cost import layer_cost, wear_cost
from lofty_press.core.working.recipes.options import Options
from lofty_press.core.working.recipes.pile import Laid

MOST_WHOLE = 2_500  # candidates up to which none is left out
BIN = 0.004  # mm; beyond that, of candidates this near in thickness only those stay that nothing beats in scatter and bother
SLOT_BIN = 0.02  # mm; likewise for the things of one slot, where there are more than so many
MOST_OF_SLOT = 24
PER_BIN = 2  # likewise of the things of one slot; two slots may want the same thing, so one alone would not do

OpenSlots = tuple[tuple[int, Options], ...]


@dataclass(frozen=True)
class Candidates:
    """Candidates of the open slots, one a row; arrays have the shape (n,) but for `chosen` (n, slots).

    `thickness` [mm], `compliance` through the thickness [mm/MPa], `variance` of the thickness [mm2], `bother` [spoiled sheets a sheet];
    `chosen` indexes the options of each slot.
    """

    slots: OpenSlots
    thickness: FloatArray
    compliance: FloatArray
    variance: FloatArray
    bother: FloatArray
    chosen: NDArray[np.intp]

    def of(self, row: int) -> tuple[Laid | None, ...]:
        """What lies in each open slot in one candidate."""
        return tuple(options[k] for (_, options), k in zip(self.slots, self.chosen[row], strict=True))

    def likely(self, thickness: float) -> int:
        """A candidate near a thickness [mm], and simple: where the best is to be expected."""
        return int(np.argmin(np.abs(self.thickness - thickness) + self.bother))


def compliance_of(item: Item) -> float:
    """Give of a rigid thing or a sheet [mm/MPa]."""
    return item.thickness.mm / confined_of(item)


def fill(slots: OpenSlots, *, cuts: bool) -> Candidates:
    """Lay out all candidates, or those worth looking at where there are very many.

    Parameters
    ----------
    slots : tuple
        Open slots with what may lie in each.
    cuts : bool
        Whether plates stand behind a blade, which changes what a scar on them means.

    Notes
    -----
    A thing lies in one place only: candidates that would need it twice are left out.
    """
    count = float(np.prod([float(len(options)) for _, options in slots])) if slots else 1.0
    if count > MOST_WHOLE:
        slots = tuple((n, worth_a_look(options, cuts=cuts)) for n, options in slots)
    table = Candidates((), np.zeros(1), np.zeros(1), np.zeros(1), np.zeros(1), np.zeros((1, 0), dtype=np.intp))
    owners: list[NDArray[np.intp]] = []
    names: dict[str, int] = {}
    for n, options in slots:
        values = np.array([values_of(laid, cuts=cuts) for laid in options]).reshape(-1, 4)
        keys = np.array(
            [-1 if laid is None or laid.what.item.kind == "sheet" else names.setdefault(laid.what.key, len(names)) for laid in options]
        )
        table, owners = joined(table, owners, n, options, values, keys)
        if table.thickness.size > MOST_WHOLE:
            keep = not_beaten(table.thickness, table.variance, table.bother)
            table, owners = rows(table, keep), [o[keep] for o in owners]
    return table


def values_of(laid: Laid | None, *, cuts: bool) -> tuple[float, float, float, float]:
    """Thickness, compliance, variance and bother of what lies in a slot."""
    if laid is None:
        return 0.0, 0.0, 0.0, 0.0
    item, n = laid.what.item, laid.count
    bother = layer_cost(n) + wear_cost(item, anvil=cuts)
    return n * item.thickness.mm, n * compliance_of(item), (n * item.thickness.sd_mm) ** 2, bother


def joined(
    table: Candidates, owners: list[NDArray[np.intp]], slot: int, options: Options, values: FloatArray, keys: NDArray[np.intp]
) -> tuple[Candidates, list[NDArray[np.intp]]]:
    """A table with one more slot; pairs that would need one thing in two places are left out."""
    size, n = table.thickness.size, len(options)
    old, new = np.repeat(np.arange(size), n), np.tile(np.arange(n), size)
    free = np.ones(size * n, dtype=np.bool_)
    for owner in owners:
        free &= (owner[old] != keys[new]) | (keys[new] < 0)
    old, new = old[free], new[free]
    grown = Candidates(
        (*table.slots, (slot, options)),
        table.thickness[old] + values[new, 0],
        table.compliance[old] + values[new, 1],
        table.variance[old] + values[new, 2],
        table.bother[old] + values[new, 3],
        np.column_stack([table.chosen[old], new]),
    )
    return grown, [*(owner[old] for owner in owners), keys[new]]


def rows(table: Candidates, keep: NDArray[np.intp]) -> Candidates:
    """Some rows of a table."""
    return Candidates(
        table.slots, table.thickness[keep], table.compliance[keep], table.variance[keep], table.bother[keep], table.chosen[keep]
    )


def worth_a_look(options: Options, *, cuts: bool) -> Options:
    """Of many things for one slot those that nothing of about the same thickness beats, in a fixed order."""
    if len(options) <= MOST_OF_SLOT:
        return options
    values = np.array([values_of(laid, cuts=cuts) for laid in options])
    return tuple(options[k] for k in not_beaten(values[:, 0], values[:, 2], values[:, 3], SLOT_BIN))


def not_beaten(thickness: FloatArray, variance: FloatArray, bother: FloatArray, width: float = BIN) -> NDArray[np.intp]:
    """Rows that stay: in each bin of thickness the best by bother and the best by scatter."""
    bins = np.round(thickness / width).astype(np.int64)
    kept: list[NDArray[np.intp]] = []
    for order in (np.lexsort((variance, bother, bins)), np.lexsort((bother, variance, bins))):
        ranked = bins[order]
        first = np.searchsorted(ranked, ranked, side="left")
        kept.append(order[np.arange(ranked.size) - first < PER_BIN])
    return np.unique(np.concatenate(kept))
