"""Things that are laid by hand, held against rotations in space and what the drawing shows; the order of work against every permutation."""

import itertools
import re

import numpy as np
import pytest
import shapely
from scipy.spatial.transform import Rotation
from shapely.affinity import rotate, translate

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.teaching.practice import Answer, Spot, answered, drill_of, world_of
from lofty_press.core.teaching.practice.skills.order import broken
from lofty_press.core.working.recipes import EFFECTS, chain_of
from lofty_press.core.working.work import arrange, chains_of
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES


@pytest.fixture(scope="module")
def world():
    piles = ("envelope-device", "arch-cut", "arch-line")
    return world_of([SANDWICHES[key] for key in piles], demo_relief)


@pytest.mark.parametrize("turn", [0.0, 90.0, 180.0, 270.0])
@pytest.mark.parametrize("over", [False, True])
def test_a_motif_reads_upright_on_the_closed_flap_just_where_rotations_in_space_say_so(world, turn, over):
    """A motif face down was turned by half about the vertical; whoever reads the flap from its other side has walked round it by half (scipy's
    rotations)."""
    half_turn = Rotation.from_euler("y", 180, degrees=True)
    laid = Rotation.from_euler("z", turn, degrees=True) * (half_turn if over else Rotation.identity())
    hook = np.array([(0.0, 0.0, 0.0), (0.0, 10.0, 0.0), (4.0, 10.0, 0.0)])
    reads_upright = np.allclose((half_turn * laid).apply(hook)[:, :2], hook[:, :2], atol=1e-9)
    for seed in range(4):
        drill = drill_of(world, "flap", seed, 0.0)
        best = drill.laying.best
        came = answered(drill, world, Answer(laid=Spot(best.x, best.y, turn, over)))
        assert came.right == reads_upright
        if not over:
            assert "mirrored" in str(came.says)


def test_a_motif_has_the_room_that_a_polygon_library_measures_around_it(world):
    for seed in range(6):
        drill = drill_of(world, "flap", seed, 0.0)
        best, side = drill.laying.best, drill.laying.sides[1]
        flap, motif = shapely.Polygon(side.ground), shapely.Polygon(side.thing[0])
        most = flap.exterior.distance(translate(motif, best.x, best.y))
        for x, y in ((0.0, 0.0), (1.0, 0.0), (0.0, 1.0), (6.0, 0.0), (0.0, -8.0), (60.0, 0.0)):
            there = translate(motif, best.x + x, best.y + y)
            says = str(answered(drill, world, Answer(laid=Spot(best.x + x, best.y + y, 0.0, over=True))).says)
            room = float(re.search(r"([\d.]+) mm", says)[1])
            if flap.covers(there):
                assert room == pytest.approx(flap.exterior.distance(there), abs=0.06)
                assert ("to the nearest edge" in says) == (room > most - 1.5)
            else:
                assert "past the edge" in says
                assert room == pytest.approx(shapely.distance(shapely.points(shapely.get_coordinates(there)), flap).max(), abs=0.06)


def test_a_die_cuts_where_the_drawing_shows_no_worn_place_under_its_lines(world):
    chance = np.random.default_rng(5)
    looked_at = 0
    for seed in range(4):
        drill = drill_of(world, "worn", seed, 0.0)
        assert not answered(drill, world, Answer(laid=drill.laying.begin)).right
        assert answered(drill, world, Answer(laid=drill.laying.best)).right
        for _ in range(40):
            spot = Spot(
                chance.uniform(-90, 90), chance.uniform(-60, 60), float(chance.choice([0, 15, 90, 180])), bool(chance.random() < 0.5)
            )
            side = drill.laying.sides[spot.over]
            plate = shapely.Polygon(side.ground)
            lines = shapely.MultiLineString([line for line in side.thing if len(line) > 1])
            there = translate(rotate(lines, spot.turn, origin=(0, 0)), spot.x, spot.y)
            came = answered(drill, world, Answer(laid=spot))
            if not plate.buffer(-2.1).covers(there):
                assert not came.right or plate.buffer(-1.9).covers(there)
                continue
            points = shapely.get_coordinates(shapely.segmentize(there, 0.5))
            nx, ny = side.shade.shape
            i = np.floor((points[:, 0] - plate.bounds[0]) / (plate.bounds[2] - plate.bounds[0]) * nx).astype(int)
            j = np.floor((points[:, 1] - plate.bounds[1]) / (plate.bounds[3] - plate.bounds[1]) * ny).astype(int)
            missed = float(np.mean(side.shade[np.clip(i, 0, nx - 1), np.clip(j, 0, ny - 1)] >= 1.0))
            looked_at += 1
            if not 0.01 < missed < 0.04:
                assert came.right == (missed < 0.02)
    assert looked_at > 20


FACTS = [
    ("cut with the die", "emboss"),
    ("emboss", "let the damp sheet dry flat"),
    ("emboss", "powder"),
    ("powder", "heat-set"),
    ("let the damp sheet dry flat", "glue"),
    ("emboss", "sand the ridges"),
    ("emboss", "glue"),
    ("trim to size", "emboss"),
    ("score", "fold"),
    ("cut with the die", "fold the tabs and tuck them"),
]
"""What comes before what; common practice, no published source."""


def test_just_those_orders_are_right_that_keep_every_rule_of_the_trade(world):
    """Every right order is one that the trade keeps; which orders are right is found by trying all."""
    for seed in range(16):
        drill = drill_of(world, "order", seed, -1.0)
        keys = [one.key for one in drill.steps.shown]
        if len(keys) > 6:
            continue
        titled = {one.title.in_words("mm"): one.key for one in drill.steps.shown}
        first_then = [(titled[first], titled[then]) for first, then in FACTS if {first, then} <= titled.keys()]
        kept = 0
        for order in itertools.permutations(keys):
            right = answered(drill, world, Answer(order=order)).right
            kept += right
            if right:
                assert all(order.index(first) < order.index(then) for first, then in first_then)
        assert 1 <= kept < len(list(itertools.permutations(keys))) / 2


@pytest.mark.parametrize(
    ("order", "pair"),
    [
        (("cut", "trim", "mist", "emboss", "dry flat", "glue"), ("trim", "cut")),
        (("trim", "mist", "cut", "emboss", "dry flat", "glue"), None),  # half a minute is not too long
        (("trim", "cut", "mist", "emboss", "glue", "dry flat"), ("dry flat", "glue")),
        (("trim", "cut", "mist", "emboss", "dry flat", "glue"), None),
    ],
)
def test_what_dries_is_not_left_waiting(order, pair):
    """Common practice, no published source: mist lasts minutes, and what is damp is not glued."""
    recipe = chain_of(EFFECTS["plain-relief"], mist=True)
    arranged = arrange((recipe, *chains_of(["trim", "cut", "glue"])), grouped=False)
    found = broken(order, arranged)
    assert (None if found is None else (found.first, found.then)) == pair


def test_powder_that_comes_after_a_quarter_of_an_hour_finds_dry_ink():
    recipe = chain_of(EFFECTS["inked-die-powder"])
    arranged = arrange((recipe, *chains_of(["stamp"])), grouped=False)
    assert broken(("ink", "emboss", "powder", "heat", "cool", "stamp", "dry"), arranged) is None
    late = broken(("stamp", "ink", "dry", "emboss", "powder", "heat", "cool"), arranged)
    assert (late.first, late.then) in {("ink", "emboss"), ("dry", "ink"), ("emboss", "stamp")}


def test_an_order_or_a_place_that_is_none_is_refused(world):
    drill = drill_of(world, "order", 1, 0.0)
    keys = tuple(one.key for one in drill.steps.shown)
    for order in ((), keys[:-1], (*keys, keys[0]), (*keys[:-1], "juggle"), (keys[0],) * len(keys)):
        with pytest.raises(InvalidInput, match="each step once"):
            answered(drill, world, Answer(order=order))
    with pytest.raises(InvalidInput, match="where it was laid"):
        answered(drill_of(world, "worn", 1, 0.0), world, Answer(order=keys))
