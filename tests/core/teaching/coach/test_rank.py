"""What went wrong: the trade's own table of faults, Bayes' rule by hand, and places by geometry."""

from dataclasses import replace

import pytest

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.sandwich.stack import StackView, apply_edits, differences
from lofty_press.core.teaching.coach import (
    CAUSES,
    FELT_KEYS,
    LOOKS,
    SIGHT_KEYS,
    Known,
    Said,
    chances_of,
    expected,
    felt_of,
    look_first,
    rank,
    scene_of,
)
from lofty_press.core.teaching.coach.rank import MISTAKES, NO_CAUSE, WRONG, named, seen_in, taken
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES, SHELF


@pytest.fixture(scope="module")
def scenes():
    """Scenes of the press room's sandwiches, each made once."""
    made = {}

    def of(key):
        if key not in made:
            made[key] = scene_of(SANDWICHES[key], demo_relief)
        return made[key]

    return of


# seen, on which sandwich, cause: common practice, no published source
TRADE = [
    ("no feed", "ticket-sleeve", "plate too much"),
    ("stopped", "ticket-sleeve", "too tight"),
    ("blank", "ticket-sleeve", "plate left out"),
    ("crooked", "arch-cut", "crooked"),
    ("part not cut", "labels-overlapping", "dies overlap"),
    ("cracked", "envelope-device", "relief too high"),
    ("faint", "programme-cover", "too thin"),
    ("strip", "programme-cover", "hinge"),
    ("faint", "programme-cover", "cut after"),
    ("cracked", "ticket-sleeve", "dry card"),
    ("cracked", "programme-cover", "mist forgotten"),
    ("part not cut", "arch-cut", "leftover"),
    ("cut", "arch-line", "mat on the other side"),
    ("old lines", "programme-cover", "scarred"),
    ("double", "arch-cut", "moved between passes"),
    ("edge", "programme-cover", "not flush"),
    ("jumped", "arch-cut", "straight edge"),
    ("tape", "envelope-device", "tape pressed"),
    ("smudged", "timetable-print", "ink too thick"),
    ("patchy", "timetable-print", "ink dried"),
    ("specks", "programme-cover", "powder on oil"),
    ("warped", "programme-cover", "heat in one place"),
    ("other side", "programme-cover", "folder turned"),
]


@pytest.mark.parametrize(("seen", "key", "cause"), TRADE)
def test_the_trades_cause_is_among_the_first_three(scenes, seen, key, cause):
    found = [one for one in rank(scenes(key), Said(seen)) if one.cause.key != "as laid"]  # that is no mistake
    assert cause in [one.cause.key for one in found[:3]], [(one.cause.key, round(one.chance, 2)) for one in found[:5]]


@pytest.mark.parametrize("key", ["programme-cover", "arch-cut", "arch-line"])
def test_what_can_be_seen_by_a_cause_sums_to_one(scenes, key):
    scene = scenes(key)
    for cause, sights in scene.sights.items():
        assert sum(sights.values()) == pytest.approx(1.0, abs=1e-9), cause
        assert set(sights) <= set(SIGHT_KEYS)
        assert min(sights.values()) >= 0.0


def test_a_line_that_cut_where_a_spacer_makes_up_for_the_mat_is_told_that_there_is_none():
    """No mat, or too thin a one: add or thicken it (common practice, no published source)."""
    line = SANDWICHES["arch-line"]
    stiff = {
        key: replace(item, kind="spacer", material="hard plastic", shore_a=None) if item.kind == "rubber mat" else item
        for key, item in line.items.items()
    }
    found = rank(scene_of(replace(line, items=stiff), demo_relief), Said("cut"))
    assert "no mat" in [one.cause.key for one in found[:3]]
    cure = next(one for one in found if one.cause.key == "no mat")
    assert any(cure.cure.after.sandwich.items[layer.item].kind == "rubber mat" for layer in cure.cure.after.sandwich.layers)


def joint_of(scene, said, likely, alone):
    """By hand: the pile as built by its own probability, each mistake by what it adds to that."""
    often = {cause: CAUSES[cause].often for cause in scene.happened}
    joint = {cause: often[cause] * max(likely(cause) - alone * likely("as laid"), 0.0) for cause in often}
    really = (1.0 - WRONG) * alone / ((1.0 - WRONG) * alone + WRONG / len(SIGHT_KEYS))
    joint["as laid"] = often["as laid"] * likely("as laid") * (1.0 - really)
    naming = [cause for cause in often if cause == "as laid" or seen_in(scene, said) in CAUSES[cause].explains]
    for cause in naming:
        share = often[cause] / sum(often[each] for each in naming)
        joint[cause] += MISTAKES * sum(often.values()) * likely("as laid") * really * share
    return joint


def test_of_a_pile_that_jams_for_certain_no_mistake_explains_the_jam(scenes):
    """Common practice, no published source: what the pile does by itself is not put down to a slip."""
    found = rank(scenes("two-plates"), Said("no feed"))
    assert found[0].cause.key == "as laid"
    assert found[0].chance > 0.9
    assert found[0].cure.right > 0.3
    assert "without Hard plate" in str(found[0].cure.label)


@pytest.mark.parametrize(
    ("key", "seen", "cause"),
    [
        ("masked-label", "buckled", "dry at a window"),
        ("ticket-sleeve", "torn", "peeled too hard"),
        ("ticket-sleeve", "residue", "adhesive left"),
        ("ticket-sleeve", "specks", "powder on damp color"),
        ("tracery-cut", "not cut", "too few passes"),
        ("programme-cover", "cracked", "mist forgotten"),
    ],
)
def test_mishaps_that_practitioners_tell_are_among_the_first_three(scenes, key, seen, cause):
    """Common practice, no published source."""
    found = rank(scenes(key), Said(seen))
    assert cause in [one.cause.key for one in found[:3]], [(one.cause.key, round(one.chance, 2)) for one in found[:5]]


def test_an_incomplete_cut_is_not_put_down_to_too_many_passes(scenes):
    found = {one.cause.key: one.chance for one in rank(scenes("arch-cut"), Said("part not cut"))}
    assert found.get("too many passes", 0.0) < 0.01


@pytest.mark.parametrize("key", ["programme-cover", "arch-cut", "ticket-sleeve"])
def test_what_a_cure_says_is_what_it_does(scenes, key):
    scene = scenes(key)
    for one in rank(scene, Said()):
        if one.cure.edits:
            base = scene.happened[one.cause.key] if one.cause.teaches == "as meant" else scene.meant
            done = differences(base.sandwich, one.cure.after.sandwich)
            assert str(one.cure.label) == "; ".join(map(str, done))


def test_chances_are_bayes_rule_by_enumeration(scenes):
    scene = scenes("arch-cut")
    seen = "part not cut"
    joint = joint_of(scene, Said(seen), lambda cause: named(scene.sights[cause], seen), scene.sights["as laid"][seen])
    nothing = NO_CAUSE / len(SIGHT_KEYS)
    found = rank(scene, Said(seen))
    for one in found:
        assert one.chance == pytest.approx(joint[one.cause.key] / (sum(joint.values()) + nothing), rel=1e-12)
    assert sum(one.chance for one in found) <= 1.0
    assert [one.chance for one in found] == sorted((one.chance for one in found), reverse=True)
    # somebody names what is there nine times in ten, else anything
    certain = {sight: float(sight == seen) for sight in SIGHT_KEYS}
    assert named(certain, seen) == pytest.approx(1.0 - WRONG + WRONG / len(SIGHT_KEYS))
    assert sum(named(certain, other) for other in SIGHT_KEYS) == pytest.approx(1.0)


def test_a_known_fault_counts_for_more(scenes):
    scene = scenes("arch-cut")
    before = {one.cause.key: one.chance for one in rank(scene, Said("part not cut"))}
    after = {one.cause.key: one.chance for one in rank(scene, Said("part not cut"), known=Known({"worn place": 10.0}))}
    assert after["worn place"] > 3 * before["worn place"]
    assert rank(scene, Said("part not cut"), known=Known({"worn place": 10.0}))[0].cause.key == "worn place"


def test_the_place_tells_the_hinge_from_loose_rollers(scenes):
    scene = scenes("programme-cover")
    sheet = StackView(scene.meant.sandwich).sheet
    low_x, low_y, high_x, high_y = sheet.bounds
    anywhere = {one.cause.key: one.chance for one in rank(scene, Said("strip"))}
    at_hinge = {one.cause.key: one.chance for one in rank(scene, Said("strip", (low_x + 4.0, 0.5 * (low_y + high_y))))}
    far = {one.cause.key: one.chance for one in rank(scene, Said("strip", (high_x - 4.0, 0.5 * (low_y + high_y))))}
    assert at_hinge["hinge"] > anywhere["hinge"] > far.get("hinge", 0.0)


def test_a_cure_is_tried_before_it_is_told(scenes):
    scene = scenes("ticket-sleeve")
    dry = next(one for one in rank(scene, Said("cracked")) if one.cause.key == "dry card")
    # the card stays as dry as it is: what is tried is that card, misted
    lay = scene.happened["dry card"]
    assert dry.cure.edits
    assert apply_edits(lay.sandwich, dry.cure.edits) == dry.cure.after.sandwich
    assert expected(dry.cure.after, scene.meant)["cracked"] < expected(lay, scene.meant)["cracked"]
    assert dry.cure.right == pytest.approx(expected(dry.cure.after, scene.meant)["right"])


def test_two_that_are_as_likely_are_told_apart_by_a_look(scenes):
    scene = scenes("programme-cover")
    found = rank(scene, Said("other side"))
    assert look_first(found) == "turn over" == found[0].cause.look
    assert look_first(rank(scene, Said("tape"))) is None


def test_what_was_felt_and_which_picture_was_taken_count_as_bayes_rule_has_it(scenes):
    scene = scenes("arch-cut")
    said = Said(picked="too thin", felt="easy")

    def likely(key):
        return taken(scene.picked[key], "too thin") * ((1.0 - WRONG) * scene.feelings[key]["easy"] + WRONG / len(FELT_KEYS))

    joint = joint_of(scene, said, likely, scene.sights["as laid"][scene.pictured["too thin"]])
    nothing = NO_CAUSE / len(scene.pictured) / len(FELT_KEYS)
    found = chances_of(scene, said, {})
    for key, chance in found.items():
        assert chance == pytest.approx(joint[key] / (sum(joint.values()) + nothing), rel=1e-12), key
    for pictures in scene.picked.values():
        assert sum(pictures.values()) <= 1.0 + 1e-9
        assert sum(taken(pictures, one) for one in pictures) <= 1.0 + 1e-9


def test_a_look_settles_all_causes_that_it_shows(scenes):
    scene = scenes("programme-cover")
    said = Said("no feed")
    layers = [key for key in scene.happened if CAUSES[key].look == "layers"]
    before = chances_of(scene, said, {})
    so = chances_of(scene, replace(said, settled={"layers": True}), {})
    not_so = chances_of(scene, replace(said, settled={"layers": False}), {})
    assert sum(so[key] for key in layers) > sum(before[key] for key in layers) > sum(not_so[key] for key in layers)
    # whoever looks misses it one time in ten: the odds move by nine
    odds = [sum(found[key] for key in layers) / (1.0 - sum(found[key] for key in layers)) for found in (so, before, not_so)]
    assert odds[0] / odds[1] == pytest.approx((1.0 - WRONG) / WRONG)
    assert odds[1] / odds[2] == pytest.approx((1.0 - WRONG) / WRONG)
    asked = look_first(rank(scene, said))
    assert asked is None or LOOKS[asked].costs <= max(LOOKS[one.cause.look].costs for one in rank(scene, said)[:2])


def test_what_is_felt_follows_the_force_at_the_crank(scenes):
    scene = scenes("programme-cover")
    for key, after in scene.happened.items():
        found = felt_of(after, scene.meant)
        assert sum(found.values()) == pytest.approx(1.0, abs=1e-9), key
        assert min(found.values()) >= 0.0
    assert felt_of(scene.meant, scene.meant)["as ever"] > 0.7
    thin = scene.happened["too thin"]
    assert thin.nip.peak_handle < scene.meant.nip.peak_handle
    assert felt_of(thin, scene.meant)["easy"] > 0.8
    assert felt_of(scene.happened["plate too much"], scene.meant)["hard"] > 0.6
    assert felt_of(scene.happened["plate too much"], scene.meant)["crack"] > 0.1


def test_what_happened_is_another_pile_or_does_not_show_in_it(scenes):
    scene = scenes("programme-cover")
    assert len(scene.happened) > 15
    for key, after in scene.happened.items():
        if after.sandwich == scene.meant.sandwich and key != "as laid":
            assert CAUSES[key].signs or CAUSES[key].mend, key  # else it could never be told from nothing


def test_every_cause_can_happen_to_something(scenes):
    seen = set()
    line = SANDWICHES["arch-line"]
    matless = replace(line, layers=tuple(layer for layer in line.layers if line.items[layer.item].kind != "rubber mat"))
    sheet = next(layer.item for layer in line.layers if layer.role == "sheet")
    leather = replace(line, items={**line.items, sheet: SHELF["saddle-hide"]})
    for sandwich in (*SANDWICHES.values(), matless, leather):
        view = StackView(sandwich)
        seen |= {name for name, cause in CAUSES.items() if cause.put_in(view) is not None}
    assert seen == set(CAUSES)


def test_what_cannot_be_explained_is_said(scenes):
    scene = scenes("programme-cover")
    with pytest.raises(InvalidInput, match="nothing to explain"):
        rank(scene, Said("right"))
    with pytest.raises(InvalidInput, match="off the sheet"):
        rank(scene, Said("strip", (900.0, 0.0)))
    bare = replace(scene.meant.sandwich, layers=tuple(layer for layer in scene.meant.sandwich.layers if layer.role != "sheet"))
    with pytest.raises(InvalidInput, match="could have gone wrong"):
        scene_of(bare, demo_relief)
