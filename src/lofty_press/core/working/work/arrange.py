"""The order of everything that is done to one piece: recipes keep theirs, rules stand between them, and wishes come before what may be bent."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from itertools import pairwise

from lofty_press.core.basics.words import Message, say
from lofty_press.core.working.work.chains import WETS, Chain, Step, why_between
from lofty_press.core.working.work.rules import RULES, Rule
from lofty_press.core.working.work.works import WORKS, Work, WorkKey

MINDS_DAMP: tuple[WorkKey, ...] = (
    "ink",
    "stamp",
    "colour",
    "sand",
    "wax",
    "spray",
    "score",
    "fold",
    "tuck",
    "glue",
    "assemble",
    "address",
)
"""What a damp sheet does not bear."""
MINDS_WET: tuple[WorkKey, ...] = (*MINDS_DAMP, "cut", "mist", "emboss", "trim down", "heat")
"""What cannot be done while ink or colour is wet."""
WAITS: tuple[WorkKey, ...] = ("cool", "dry", "dry flat")
NOT_YET_DRY = say("Don't let anything touch it before it's dry.")


@dataclass(frozen=True)
class Node:
    """What is done to a piece in one go: a step, or several that follow one another piece by piece.

    `key` is its own on the piece; `chain` the number of its chain; `pile` the sandwich it is pressed in.
    """

    key: str
    steps: tuple[Step, ...]
    chain: int
    pile: str | None = None

    @property
    def works(self) -> tuple[WorkKey, ...]:
        """Its kinds of work, in order."""
        return tuple(step.work for step in self.steps)

    @property
    def main(self) -> Work:
        """The work that says what it needs: what is pressed, or else the first."""
        works = [WORKS[step.work] for step in self.steps]
        return next((work for work in works if work.place == "press"), works[0])


@dataclass(frozen=True)
class Edge:
    """The node `first` comes before the node `then`; `within` [s] of it, if that matters; `must` if nobody can wish it otherwise."""

    first: str
    then: str
    why: Message
    within: float | None = None
    must: bool = True
    wanted: bool = False


@dataclass(frozen=True)
class Arranged:
    """Nodes and edges of one piece.

    `broken` are edges that cannot be kept beside the others: because somebody wished otherwise, or because two recipes want opposite
    things. `ring` is what makes a wish impossible, an edge after the other; empty if all is well.
    """

    nodes: tuple[Node, ...]
    edges: tuple[Edge, ...]
    broken: tuple[Edge, ...] = ()
    ring: tuple[Edge, ...] = ()


class Graph:
    """Nodes that come before one another, and no rings."""

    def __init__(self, keys: Iterable[str]) -> None:
        self.after: dict[str, list[Edge]] = {key: [] for key in keys}

    def path(self, first: str, then: str) -> tuple[Edge, ...] | None:
        """Edges that lead from one node to another; None if none do."""
        seen = {first}
        waiting: list[tuple[str, tuple[Edge, ...]]] = [(first, ())]
        while waiting:
            key, way = waiting.pop()
            if key == then:
                return way
            for edge in self.after[key]:
                if edge.then not in seen:
                    seen.add(edge.then)
                    waiting.append((edge.then, (*way, edge)))
        return None

    def add(self, edge: Edge) -> bool:
        """Put an edge in; false if it would close a ring."""
        if self.path(edge.then, edge.first) is not None:
            return False
        self.after[edge.first].append(edge)
        return True

    @property
    def edges(self) -> tuple[Edge, ...]:
        """All that are in."""
        return tuple(edge for edges in self.after.values() for edge in edges)


def arrange(chains: Sequence[Chain], wanted: Iterable[tuple[str, str]] = (), *, grouped: bool = True) -> Arranged:
    """Everything that is done to one piece, and what of it comes before what.

    Parameters
    ----------
    chains : sequence of Chain
        Recipes in the order in which somebody thinks of them, then the rest.
    wanted : iterable of pairs of str
        Keys of nodes that somebody wants in this order.
    grouped : bool
        Steps that must follow soon are one node, done piece by piece; else every step is a node of its own.

    Notes
    -----
    Edges go in from the strongest to the weakest: within a chain, rules that must hold, wishes, rules that somebody may have reasons to
    break, and that nothing touches what is wet. One that would close a ring is left out and told as broken; a wish that would is told
    with the ring.
    """
    nodes = nodes_of(chains, grouped)
    graph, broken = Graph(node.key for node in nodes), list[Edge]()
    for before, node in pairwise(nodes):
        if before.chain == node.chain:
            graph.add(Edge(before.key, node.key, node.steps[0].why, node.steps[0].within))
    pairs = [edge for rule in RULES for edge in between(rule, nodes)]
    broken += [edge for edge in pairs if edge.must and not graph.add(edge)]
    for first, then in wanted:
        edge = Edge(first, then, say("You asked for it."), wanted=True)
        way = graph.path(then, first)
        if way is not None:
            return Arranged(nodes, graph.edges, tuple(broken), (edge, *way))
        graph.add(edge)
    broken += [edge for edge in pairs if not edge.must and not graph.add(edge)]
    broken += spare_what_is_wet(nodes, graph)
    return Arranged(nodes, graph.edges, tuple(broken))


def nodes_of(chains: Sequence[Chain], grouped: bool) -> tuple[Node, ...]:
    """The nodes of all chains, each with a key of its own."""
    found: list[Node] = []
    taken: dict[str, int] = {}
    for number, chain in enumerate(chains):
        groups: list[list[Step]] = []
        for step in chain.steps:
            if grouped and groups and step.within is not None:
                groups[-1].append(step)
            else:
                groups.append([step])
        for group in groups:
            name = " + ".join(step.work for step in group)
            taken[name] = taken.get(name, 0) + 1
            key = name if taken[name] == 1 else f"{name} {taken[name]}"
            pressed = any(WORKS[step.work].place == "press" for step in group)
            found.append(Node(key, tuple(group), number, chain.pile if pressed else None))
    return tuple(found)


def between(rule: Rule, nodes: Sequence[Node]) -> list[Edge]:
    """What a rule says of nodes of different chains; what must follow soon, and what waits, is said within a chain, and which of two runs
    comes first by whoever lists them."""
    if rule.within is not None or rule.first == rule.then or {rule.first, rule.then} & set(WAITS):
        return []
    firsts = [node for node in nodes if rule.first in node.works]
    thens = [node for node in nodes if rule.then in node.works]
    must = rule.must and rule.key != "cut-then-rim"  # of other reliefs the softer rule speaks; a rim's recipe has its cut in it
    edges = [Edge(a.key, b.key, rule.why, must=must) for a in firsts for b in thens if a.chain != b.chain and a.key != b.key]
    order = {node.key: n for n, node in enumerate(nodes)}
    return sorted(edges, key=lambda edge: order[edge.first] > order[edge.then])


def spare_what_is_wet(nodes: Sequence[Node], graph: Graph) -> list[Edge]:
    """Nothing touches a piece between its getting wet and its being dry: whatever does not come before comes after. What cannot, as it was
    wished otherwise, is given back."""
    unkept = []
    for wet, dry in pairwise(nodes):
        waits = dry.works[0]
        if wet.chain != dry.chain or waits not in WAITS:
            continue
        minds = MINDS_DAMP if waits == "dry flat" and not set(WETS) & set(wet.works) else MINDS_WET
        for other in nodes:
            if other.chain != wet.chain and set(minds) & set(other.works) and graph.path(other.key, wet.key) is None:
                why = next((said for said in (why_between(waits, work) for work in other.works) if said), NOT_YET_DRY)
                edge = Edge(dry.key, other.key, why, must=False)
                unkept += [] if graph.add(edge) else [edge]
    return unkept
