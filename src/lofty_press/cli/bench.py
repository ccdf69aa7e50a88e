"""`lofty bench`: measures speed and size, as figures with their limits."""

import argparse
import json
import sys
import tempfile
from collections.abc import Callable
from pathlib import Path
from typing import Any

from lofty_press.bench.figure import Figure
from lofty_press.setup import debian, frontend

FORMING = (
    "forming_speedup_vs_lbfgsb",
    "forming_elastic_dct_pairs_512",
    "forming_plastic_dct_pairs_512",
    "forming_folder_dct_pairs_512",
    "forming_growth_256_512",
    "forming_memory_arrays",
)
SHEET = ("coarse_picture_p95_ms", "lamp_fps")
FULL_NIP = ("nip_full_fft_pairs_per_position", "nip_full_s", "nip_memory_arrays", "nip_speedup_vs_lbfgsb")
SEARCH = ("search_over_assess_median", "search_over_assess_worst", "search_speedup_vs_exhaustive", "search_growth_200_2000")
DIALIN = ("dialin_update_ms", "dialin_next_ms", "dialin_growth")
ROOMS = (
    "dialin_spoiled_first",
    "dialin_spoiled_later",
    "dialin_spoiled_p95",
    "dialin_gain_over_shimming",
    "dialin_coverage_90",
    "dialin_coverage_90_apart",
)
OPINIONS = ("contradictions", "fixes_that_help")
CALIBRATION = ("good_calibration", "good_promised", "good_kept")
FEED = ("best_feed_over_trace", "feed_drag_p95_ms", "wear_map_10000_runs_s", "bow_ratio_vs_middle", "worst_wear_ratio_vs_middle")
PLAN = (
    "plan_sizes_ms",
    "plan_small_gap",
    "plan_small_ms",
    "plan_cut_gap",
    "plan_cut_s",
    "plan_schedule_gap",
    "plan_schedule_s",
    "plan_set_ups_saved",
    "plan_large_s",
    "plan_edit_to_drawing_p95_ms",
)
PHOTO = ("photo_outline_median_mm", "photo_outline_p95_mm", "photo_outline_p95_lamp_mm", "photo_twelve_dies_s")
PHOTO_RELIEF = (
    "photo_relief_s",
    "photo_relief_memory_mb",
    "photo_relief_correlation_matte",
    "photo_relief_correlation_glossy",
    "photo_relief_rms_share",
    "photo_relief_kept_off",
    "photo_relief_crack_factor",
)
READING = ("read_shift_mm", "read_place_mm", "read_sight_right")
COACH_SPEED = ("coach_rank_ms", "coach_first_ms", "coach_gallery_s", "coach_pick_p95_ms")
COACH_WORTH = (
    "coach_top1",
    "coach_top3",
    "coach_top3_felt",
    "coach_cured",
    "coach_named_top3",
    "coach_words_top1",
    "coach_words_top3",
    "coach_table_top1",
    "coach_table_top3",
)
HOUSE = ("texts_over_25_words", "changes_places", "suite_s", "first_start_s")
TAKES_LONG = frozenset(
    {"changes_places", "suite_s", "first_start_s"}
)  # all checks, the whole suite, a fresh clone: only where they are named
NAMES = (
    "assess_core_ms",
    "assess_cold_ms",
    "nip_table_ms",
    "assess_post_ms_over_core",
    "key_to_verdict_p95_ms",
    "first_page_script_kb",
    "kinds_places",
    *FULL_NIP,
    *FORMING,
    *SHEET,
    *SEARCH,
    *FEED,
    *DIALIN,
    *ROOMS,
    *CALIBRATION,
    *OPINIONS,
    *PLAN,
    *PHOTO,
    *PHOTO_RELIEF,
    *READING,
    *COACH_SPEED,
    *COACH_WORTH,
    *HOUSE,
)
GROUPS = {
    "forming": FORMING,
    "sheet": SHEET,
    "nip": FULL_NIP,
    "search": SEARCH,
    "feed": FEED,
    "dialin": (*DIALIN, *ROOMS),
    "good": (*CALIBRATION, *OPINIONS),
    "plan": PLAN,
    "photo": (*PHOTO, *PHOTO_RELIEF, *READING),
    "coach": (*COACH_SPEED, *COACH_WORTH),
    "house": HOUSE,
}


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what the command takes."""
    parser.add_argument("--json", action="store_true", help="print JSON")
    parser.add_argument(
        "--only",
        nargs="+",
        choices=(*GROUPS, *NAMES),
        metavar="NAME",
        default=[name for name in NAMES if name not in TAKES_LONG],
        help=", ".join((*GROUPS, *NAMES)),
    )
    parser.set_defaults(run=run)


def served(work: Callable[[Any], list[Figure]]) -> list[Figure]:
    """Measure against the whole application with the demo world."""
    from lofty_press.runtime.serve import in_background

    debian.ensure(debian.MARIADB, debian.CHROMIUM)
    with tempfile.TemporaryDirectory() as scratch, in_background(Path(scratch), demo=True) as running:
        return work(running)


def measured(names: set[str]) -> list[Figure]:
    """The wanted figures."""
    from lofty_press.bench import (
        calibration,
        coach,
        core,
        dialin,
        feed,
        feed_page,
        forming,
        full_nip,
        house,
        http,
        impression_page,
        kinds,
        nip,
        opinions,
        page,
        photo,
        photo_relief,
        plan,
        plan_page,
        recipes,
        rooms,
        season,
        sheets,
    )

    figures: list[Figure] = []
    if names & {"assess_core_ms", "assess_cold_ms"}:
        figures += core.measure(names)
    if "nip_table_ms" in names:
        figures += nip.measure()
    figures += full_nip.measure(names)
    figures += dialin.measure(names)
    figures += rooms.measure(names)
    figures += calibration.measure(names)
    figures += opinions.measure(names)
    figures += kinds.measure(names)
    figures += house.measure(names)
    figures += forming.measure(names)
    figures += recipes.measure(names)
    figures += feed.measure(names)
    figures += season.measure(names)
    figures += plan.measure(names)
    figures += photo.measure(names)
    figures += photo_relief.measure(names)
    figures += sheets.measure(names)
    figures += coach.measure(names)
    if names & {
        "assess_post_ms_over_core",
        "key_to_verdict_p95_ms",
        "first_page_script_kb",
        "feed_drag_p95_ms",
        "plan_edit_to_drawing_p95_ms",
        *SHEET,
    }:
        frontend.ensure_page()
    if "assess_post_ms_over_core" in names:
        figures += served(lambda running: http.measure(running))
    if "key_to_verdict_p95_ms" in names:
        figures += served(lambda running: [page.key_to_verdict(running.link)])
    if names & set(SHEET):
        figures += served(lambda running: impression_page.measure(running.link, names))
    if "feed_drag_p95_ms" in names:
        figures += served(lambda running: [feed_page.drag(running.link)])
    if "plan_edit_to_drawing_p95_ms" in names:
        figures += served(lambda running: [plan_page.edit_to_drawing(running.link)])
    if "first_page_script_kb" in names:
        figures.append(page.script_size())
    return figures


def run(arguments: argparse.Namespace) -> int:
    """Print the figures; a limit that is not kept is marked, and makes the exit code 1."""
    figures = measured({name for word in arguments.only for name in GROUPS.get(word, (word,))})
    if arguments.json:
        rows = [{"name": f.name, "value": round(f.value, 4), "unit": f.unit, "limit": f.limit, "at_least": f.at_least} for f in figures]
        print(json.dumps({"figures": rows}))
    else:
        for f in figures:
            limit = "" if f.limit is None else f"{'at least' if f.at_least else 'limit'} {f.limit:g}"
            print(f"{f.name:30} {f.value:10.3f} {f.unit:4} {limit:12} {'' if f.kept else 'NOT KEPT'}")
    sys.stdout.flush()
    return 0 if all(f.kept for f in figures) else 1
