"""Run cards, and what is advised when something goes wrong at the press."""

import re
from dataclasses import replace
from typing import get_args

import pytest
from tests.core.builders import SHELF, edited, folder, judged, lay, sheet_row, zone
from tests.core.with_maps import assess, search

from lofty_press.core.judging.dialin import keyed, suspicion
from lofty_press.core.judging.dialin.belief import independent
from lofty_press.core.judging.verdict import ZONES, crack_chance
from lofty_press.core.sandwich.stack import EFFECT_TRAITS, EffectKind
from lofty_press.core.sandwich.stack.edits import Set, SetPasses
from lofty_press.core.sandwich.stack.item import Thickness
from lofty_press.core.sandwich.stack.view import StackView
from lofty_press.core.working.recipes.catalogue import EFFECTS
from lofty_press.core.working.recipes.wish import Wish
from lofty_press.core.working.steps import Seen, outcomes_of, respond, seen_of, zones_of
from lofty_press.core.working.steps.card import STAGES
from lofty_press.core.working.steps.outcomes import zones_seen
from lofty_press.core.working.steps.write import write_card
from lofty_press.demo.presses import PRESSES
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.demo.shelf import INKS


def supply(kind):
    return [item for item in SHELF.values() if item.kind == kind]


def card(key, **more):
    return write_card(assess(SANDWICHES[key]), **more)


def texts(found, stage=None):
    return [step.text for step in found.steps if stage in (None, step.stage)]


@pytest.mark.parametrize("key", SANDWICHES)
def test_every_layer_is_built_once_in_the_order_of_the_pile_and_stages_follow_one_another(key):
    found = card(key)
    assert [step.layer for step in found.steps if step.layer is not None] == [layer.id for layer in SANDWICHES[key].layers]
    stages = [STAGES.index(step.stage) for step in found.steps]
    assert stages == sorted(stages)
    assert [step.turn for step in found.steps if step.stage == "press"] == list(range(1, SANDWICHES[key].passes + 1))


def test_a_sheet_is_misted_last_right_before_it_goes_in():
    """Common practice, no published source: mist dries in minutes, so everything else is ready by then."""
    steps = card("programme-cover").steps
    at = next(n for n, step in enumerate(steps) if step.wait is not None and step.wait.what == "mist")
    sheet = next(layer.id for layer in SANDWICHES["programme-cover"].layers if layer.role == "sheet")
    assert steps[at + 1].layer == sheet


def test_where_one_shim_more_jams_none_is_advised():
    tight = SANDWICHES["copper-plaque"]
    left = assess(tight).verdict.margin.thicker_mm - 0.05  # half a sheet of paper is left then
    judged = assess(replace(tight, press=replace(tight.press, opening=replace(tight.press.opening, mm=tight.press.opening.mm - left))))
    assert (judged.verdict.zone, judged.verdict.margin.more_is) == ("right", "refuses")
    texts = [str(step.text) for step in write_card(judged).steps]
    assert any(text.startswith("If it is faint, don't add") for text in texts)
    assert "If it is faint, add shims one by one." not in texts


@pytest.mark.parametrize("key", SANDWICHES)
def test_every_caution_of_the_assessment_stands_at_a_step(key):
    assessment = assess(SANDWICHES[key])
    said = " ".join(care for step in write_card(assessment).steps for care in step.care)
    cautions = [f.what for f in assessment.findings if f.severity == "care"]
    assert cautions
    assert all(what in said for what in cautions)


def test_cautions_stand_where_they_are_needed():
    steps = card("programme-cover").steps
    fingers = next(s for s in steps if any("fingers clear" in c for c in s.care))
    mist = next(s for s in steps if any("don't breathe it" in c for c in s.care))
    assert fingers.stage == "feed"
    assert mist.wait.what == "mist"
    blade = next(s for s in card("arch-cut").steps if any("is sharp" in c for c in s.care))
    assert blade.text.startswith("Put Station-arch die")


def test_lengths_are_written_as_the_user_reads_them():
    assert "104 mm by 146 mm" in texts(card("ticket-sleeve"))[0] or "104 mm by 146 mm" in texts(card("ticket-sleeve"))[1]
    inches = " ".join(text.in_words("in") for text in texts(card("ticket-sleeve")))
    assert "4 1/8 in by 5 3/4 in" in inches


def test_a_card_says_which_half_is_inked_and_where_the_colour_lands():
    wish = Wish(effect="inked-relief", stock="ridge-green", tool="rail-lattice", front="raised", ink=INKS["fir"])
    found = search(wish, SHELF, PRESSES["midway"]).found[0]
    step = next(s for s in write_card(found.assessment).steps if s.text.startswith("Ink the"))
    assert "sunk half" in step.text
    assert "colors the ground on the front" in step.detail


def test_waits_for_mist_ink_powder_and_drying_are_on_the_cards():
    damp = search(Wish(effect="deep-relief", stock="ridge-green", mist="misted"), SHELF, PRESSES["midway"]).found[0]
    assert {s.wait.what for s in write_card(damp.assessment).steps if s.wait} == {"mist", "drying"}
    powder = search(Wish(effect="inked-die-powder", stock="ridge-green", ink=INKS["gold-base"]), SHELF, PRESSES["midway"]).found[0]
    steps = write_card(powder.assessment).steps
    assert [s.wait.what for s in steps if s.wait] == ["heat", "drying"]
    order = [n for n, s in enumerate(steps) if "Dust sheet and die" in s.text or "Tap " in s.text or "Pour the powder" in s.text]
    assert order == sorted(order)
    assert any("burns skin" in care for s in steps for care in s.care)


def test_open_edge_first_is_said_and_so_is_the_second_pass_of_a_cut():
    found = search(Wish(effect="plain-relief", stock="ridge-green", feed="open edge first"), SHELF, PRESSES["midway"]).found[0]
    assert any("Open edge first" in s.detail for s in write_card(found.assessment).steps if s.stage == "feed")
    twice = write_card(assess(replace(SANDWICHES["tracery-cut"], passes=2)))
    assert any("by a quarter" in s.detail for s in twice.steps if s.turn == 2)
    worked_out = write_card(assess(replace(SANDWICHES["tracery-cut"], passes=2)), second_turn=45.0)
    assert any("by 45° counter-clockwise" in s.detail for s in worked_out.steps if s.turn == 2)


def test_a_sandwich_that_must_not_run_says_so_first():
    assert card("two-plates").stops
    assert "Too thick" in card("two-plates").stops[0] or "deep folder" in card("two-plates").stops[0]
    assert card("ticket-sleeve").stops == ()


def test_every_effects_tasks_are_on_its_card():
    """The catalogue's own words reach the card, whatever the effect."""
    stocks = {
        "cut-strip": "ridge-strip",
        "cut-steel-rule": "ridge-sheet",
        "metal-relief": "roof-copper",
        "envelope-flap": "mail-envelope",
        "stencil": "packing-film",
        "cut-metal": "roof-copper",
        "cut-board": "pad-back",
    }
    for key, effect in EFFECTS.items():
        found = search(Wish(effect=key, stock=stocks.get(key, "ridge-green")), SHELF, PRESSES["midway"]).found[0]
        said = texts(write_card(found.assessment))
        damp = StackView(found.sandwich).sheet.layer.mist_age_s is not None
        inked = bool(effect.inks) and not effect.bare
        asked = [task for task in (*effect.prepare, *effect.finish) if task.asked(damp=damp, inked=inked)]
        assert all(task.text in said for task in asked), key
        assert all(line in said for line in effect.look), key


def test_too_hard_takes_out_what_leaves_the_pile_right():
    shims = judged(
        "emboss", lay("bed"), lay("hard-a"), *folder("rail-lattice", sheet_row()), lay("hard-b"), lay("ridge-green", role="shim", count=6)
    )
    assert zone(shims) == "refuses"
    answer = respond(shims, "too hard", supply)
    assert answer.at_once.startswith("Stop.")
    assert "figures agree" in answer.meaning
    assert zone(answer.advice[0].after) == "right"
    assert answer.advice[0].after.free_height < shims.free_height


def test_too_hard_on_a_pile_that_should_turn_looks_at_the_pile_first():
    """Common practice, no published source: what turns hard against all figures lies double or crooked; a plate of 3 mm less leaves nothing to press."""
    answer = respond(assess(SANDWICHES["programme-cover"]), "too hard", supply)
    assert "hardly ever happens" in answer.meaning
    assert "thicker than" in answer.meaning
    assert answer.advice[0].suggestion.edits == ()
    assert "double" in answer.advice[0].suggestion.label
    assert any("gauge" in a.suggestion.label for a in answer.advice)
    assert not any("out." in a.suggestion.label for a in answer.advice)


def test_the_likeliest_cause_is_what_is_known_least():
    """A room in which one thing alone is unsure: it is the cause, and measuring it the advice."""
    sleeve = keyed(SANDWICHES["ticket-sleeve"])
    unsure = next(item for item in sleeve.items.values() if item.name == "Hard plate, west")
    for opening, seen, word in ((0.0, "too hard", "thicker"), (0.6, "nothing", "thinner")):
        press = replace(sleeve.press, opening=Thickness(mm=sleeve.press.opening.mm - opening * (seen == "too hard"), sd_mm=0.0))
        pile = replace(sleeve, press=press)
        belief = independent({f"thing:{unsure.shelf_id}": 0.5})
        found = suspicion(pile, zones_seen("emboss", seen), belief, demo_relief)
        assert [cause.of for cause in found.causes] == [f"thing:{unsure.shelf_id}"]
        assert f"Hard plate, west is {word}" in found.causes[0].words
        before, after = (b.of({f"thing:{unsure.shelf_id}": 1.0})[0] for b in (belief, found.belief))
        assert (after > before) == (word == "thicker")


@pytest.mark.parametrize("seen", get_args(Seen))
@pytest.mark.parametrize("key", ["ticket-sleeve", "arch-cut", "arch-line", "programme-cover"])
def test_no_remedy_leaves_less_to_hope_for_than_is_said(key, seen):
    """Whatever is seen: an answer within the card's room, and no remedy that is right with less than a tenth."""
    answer = respond(assess(SANDWICHES[key]), seen, supply)
    assert 1 <= len(answer.advice) <= 3
    assert answer.at_once
    for advice in answer.advice:
        chance = re.search(r"Right with a chance of (\d+) %", advice.why)
        assert chance is None or int(chance[1]) >= 10


def test_a_line_that_cut_is_asked_for_and_answered_with_less_or_softer():
    """Trade: a line wants something soft behind the sheet, and less in the pile than a cut."""
    assert "cut" in seen_of("line")
    assert "not cut" not in seen_of("line")
    assert "cut" not in seen_of("cut")
    bare = judged("line", lay("bed"), lay("hard-a"), lay("station-arch"), sheet_row(), lay("hard-b"), lay("spacer"))
    labels = [a.suggestion.label for a in respond(bare, "cut", supply).advice]
    assert any("mat" in label for label in labels)


@pytest.mark.parametrize("kind", get_args(EffectKind))
def test_every_effect_asks_for_what_can_come_of_it(kind):
    """Nine keys at most; the first is what was wanted; only what a blade does is said of blades."""
    asked = outcomes_of(kind)
    assert len(asked) <= 9
    assert next(iter(asked)) == "right"
    assert asked["other"]
    blade = EFFECT_TRAITS[kind].cuts
    assert ("not cut" in asked) == blade
    assert zones_of(kind, "right") == {"right"}
    assert all(zone in ZONES for outcome in asked for zone in zones_of(kind, outcome) or ())


def test_nothing_happened_adds_the_fewest_shims_that_make_it_right():
    slack = judged("emboss", lay("bed"), lay("hard-a"), *folder("rail-lattice", sheet_row()), lay("hard-b"))
    thinner = replace(slack.sandwich, press=replace(slack.sandwich.press, opening=Thickness(mm=18.0, sd_mm=0.02)))
    before = assess(thinner)
    assert zone(before) in ("slack", "faint")
    first = respond(before, "nothing", supply).advice[0]
    assert zone(first.after) == "right"
    (edit,) = first.suggestion.edits
    fewer = replace(edit, count=edit.count - 1) if edit.count > 1 else None
    if fewer is not None:
        assert zone(assess(edited(thinner, (fewer,), *SHELF.values()))) != "right"


def test_it_cracked_advises_what_cracks_least_and_names_a_stock():
    dry = judged("emboss", lay("bed"), *folder("cable-sheave", sheet_row()), lay("deep"), passes=3)
    answer = respond(dry, "cracked", supply)
    chances = [crack_chance(a.after.forming) for a in answer.advice if a.after]
    assert chances == sorted(chances)
    assert chances[0] < crack_chance(dry.forming)
    assert any(isinstance(edit, Set) and edit.mist_age_s is not None for edit in answer.advice[0].suggestion.edits)
    damp = judged("emboss", lay("bed"), *folder("cable-sheave", sheet_row(mist_age_s=0.0)), lay("deep"))
    told = respond(damp, "cracked", supply).advice
    assert any("next time" in a.suggestion.label or "softer card" in a.suggestion.label for a in told)


def test_two_motif_layers_that_cracked_become_one_at_the_same_height():
    doubled = judged(
        "motif",
        lay("bed"),
        lay("spacer"),
        lay("soft"),
        lay("monogram", count=2),
        lay("mail-envelope", role="sheet"),
        lay("rubber-thick"),
        lay("ledger-index", role="shim", count=6),
    )
    answer = respond(doubled, "cracked", supply)
    single = next(a for a in answer.advice if "One layer" in a.suggestion.label)
    assert next(p for p in StackView(single.after.sandwich).layers if p.kind == "motif").layer.count == 1
    assert zone(single.after) == "right"


def test_it_moved_fewer_passes_for_a_folder_and_tape_for_all():
    three = judged("emboss", lay("bed"), *folder("cable-sheave", sheet_row(mist_age_s=5.0)), lay("deep"), passes=3)
    first = respond(three, "moved", supply).advice[0]
    assert first.suggestion.edits == (SetPasses(passes=1),)
    assert any("Tape" in a.suggestion.label for a in respond(assess(SANDWICHES["arch-cut"]), "moved", supply).advice)


def test_not_cut_puts_what_cuts_by_the_figures_before_what_helps_a_little():
    answer = respond(assess(SANDWICHES["tracery-cut"]), "not cut", supply)
    assert zone(answer.advice[0].after) == "right"
    assert (SetPasses(passes=2),) in [a.suggestion.edits for a in answer.advice]
    assert any("Clear the die" in a.suggestion.label for a in answer.advice)
