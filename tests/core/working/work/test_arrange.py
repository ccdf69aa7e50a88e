"""The order of work: what the trade does, and that no order closes a ring. Common practice, no published source."""

from graphlib import TopologicalSorter
from itertools import combinations

import pytest

from lofty_press.core.working.work import RULES, WORKS, Chain, Step, arrange, chains_of, why_between, within_of


def order_of(arranged):
    """Keys in an order that keeps every edge; graphlib refuses a ring."""
    graph = {node.key: set() for node in arranged.nodes}
    for edge in arranged.edges:
        graph[edge.then].add(edge.first)
    return list(TopologicalSorter(graph).static_order())


def works_in_order(*works):
    arranged = arrange(chains_of(works), grouped=False)
    steps = {node.key: node.works for node in arranged.nodes}
    return [work for key in order_of(arranged) for work in steps[key]]


@pytest.mark.parametrize(
    ("first", "then"),
    [
        ("trim", "cut"),
        ("trim", "glue"),
        ("mist", "emboss"),
        ("ink", "powder"),
        ("powder", "heat"),
        ("heat", "cool"),
        ("cut", "emboss"),
        ("emboss", "fold"),
        ("emboss", "glue"),
    ],
)
def test_what_the_trade_does_first(first, then):
    order = works_in_order(first, then)
    assert order.index(first) < order.index(then)


@pytest.mark.parametrize("pair", list(combinations(sorted(WORKS), 2)), ids="-".join)
def test_no_two_kinds_of_work_close_a_ring(pair):
    assert set(pair) <= set(works_in_order(*pair)) | {"dry", "dry flat", "cool"}


def test_all_of_them_together_close_no_ring():
    assert len(works_in_order(*WORKS)) >= len(WORKS) - 3


def test_what_was_misted_is_pressed_at_once_and_dries_flat():
    (chain,) = chains_of(["emboss", "mist"], pile="A sandwich")
    assert [step.work for step in chain.steps] == ["mist", "emboss", "dry flat"]
    assert chain.pile == "A sandwich"
    assert chain.steps[1].within == within_of("mist", "emboss") == 300


def test_powder_goes_on_wet_ink_and_is_melted():
    (chain,) = chains_of(["heat", "powder", "ink"])
    assert [step.work for step in chain.steps] == ["ink", "powder", "heat", "cool"]
    (unmelted,) = chains_of(["powder", "ink"])
    assert [step.work for step in unmelted.steps] == ["ink", "powder"]


def test_what_is_wet_dries_before_anything_else_touches_it():
    order = works_in_order("ink", "fold", "trim")
    assert order.index("trim") < order.index("ink") < order.index("dry") < order.index("fold")


def test_each_kind_of_work_is_done_once():
    for chains in (chains_of(WORKS), chains_of(["trim", "glue", "fold"])):
        done = [step.work for chain in chains for step in chain.steps if step.work not in ("dry", "dry flat", "cool")]
        assert len(done) == len(set(done))


class TestWishes:
    CHAINS = (Chain((Step("cut"),)), Chain((Step("emboss"),)), Chain((Step("trim"),)))

    def keys(self):
        return {node.works[0]: node.key for node in arrange(self.CHAINS).nodes}

    def test_what_somebody_may_have_reasons_for_is_kept_and_what_it_breaks_is_told(self):
        """Embossing before cutting is done: the relief is then pressed flat in part, which is said."""
        key = self.keys()
        arranged = arrange(self.CHAINS, [(key["emboss"], key["cut"])])
        order = order_of(arranged)
        assert order.index(key["emboss"]) < order.index(key["cut"])
        assert any((edge.first, edge.then) == (key["cut"], key["emboss"]) for edge in arranged.broken)
        assert arranged.ring == ()

    def test_a_wish_against_what_must_be_is_told_with_its_ring(self):
        key = self.keys()
        arranged = arrange(self.CHAINS, [(key["cut"], key["trim"])])
        assert arranged.ring
        assert arranged.ring[0].wanted
        assert {edge.first for edge in arranged.ring} == {key["cut"], key["trim"]}

    def test_two_wishes_that_contradict_each_other_are_a_ring(self):
        key = self.keys()
        arranged = arrange(self.CHAINS, [(key["emboss"], key["cut"]), (key["cut"], key["emboss"])])
        assert {edge.wanted for edge in arranged.ring} == {True}


class TestRules:
    def test_each_has_a_key_of_its_own_and_a_reason(self):
        assert len({rule.key for rule in RULES}) == len(RULES) > 20
        assert all(rule.why.endswith(".") for rule in RULES)

    def test_none_contradicts_another_that_must_hold(self):
        must = {(rule.first, rule.then) for rule in RULES if rule.must}
        assert not {(then, first) for first, then in must} & must

    def test_a_reason_is_found_by_both_works(self):
        assert why_between("mist", "emboss") == next(rule.why for rule in RULES if rule.key == "mist-then-emboss")
        assert why_between("fold", "trim") == ""
        assert within_of("fold", "trim") is None
