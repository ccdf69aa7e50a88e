"""The three presses of the Alder Ridge press room."""

from lofty_press.core.sandwich.stack import Drive, Press, Thickness

PRESSES: dict[str, Press] = {
    "midway": Press(
        name="Midway",
        size="standard",
        opening=Thickness(mm=17.7, sd_mm=0.03, source="gauge"),
        roller_radius_mm=16,
        feed_width_mm=155,
        bearing_span_mm=190,
        frame_stiffness_n_per_mm=6000,
        lowered_by_mm=3.4,
        drive=Drive(kind="hand", gear_ratio=1.5, handle_radius_mm=110, comfort_n=60, limit_n=140),
        note="The everyday press by the window. Measured with feeler cards in spring.",
    ),
    "foothill": Press(
        name="Foothill",
        size="pocket",
        opening=Thickness(mm=17.65, sd_mm=0.08),
        roller_radius_mm=13,
        feed_width_mm=78,
        bearing_span_mm=104,
        frame_stiffness_n_per_mm=4200,
        drive=Drive(kind="hand", gear_ratio=1.3, handle_radius_mm=80, comfort_n=50, limit_n=110),
        note="Travels in a satchel to the stalls on the upper platform.",
    ),
    "summit": Press(
        name="Summit",
        size="wide",
        opening=Thickness(mm=17.75, sd_mm=0.05),
        roller_radius_mm=19,
        feed_width_mm=218,
        bearing_span_mm=262,
        frame_stiffness_n_per_mm=8500,
        lowered_by_mm=3.5,
        drive=Drive(kind="motor", gear_ratio=30, handle_radius_mm=20, comfort_n=22, limit_n=40),
        note="Motor press in the former winding room. Unplug before reaching in.",
    ),
}
