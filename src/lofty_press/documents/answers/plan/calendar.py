"""A plan as a calendar: what keeps the hands busy, run by run, and what dries meanwhile (iCalendar, RFC 5545)."""

from datetime import UTC, datetime, timedelta

from icalendar import Calendar, Event

from lofty_press.core.basics.words import Unit
from lofty_press.documents.answers.plan.plan import PlanDocument


def calendar_of(plan: PlanDocument, begin: datetime, unit: Unit) -> bytes:
    """The timetable from a point in time on, in the time of wherever it is read.

    Parameters
    ----------
    plan : PlanDocument
    begin : datetime
        When the work begins; without a time zone it is local.
    unit : {"mm", "in"}
    """
    calendar = Calendar()
    calendar.add("prodid", "-//Lofty Press//plan//EN")
    calendar.add("version", "2.0")
    calendar.add("x-wr-calname", plan.name)
    names = {size.key: size.name for size in plan.sizes}
    for slot in plan.schedule.slots:
        event = Event()
        piece = names.get(slot.piece) or names.get(slot.piece.rpartition(" ")[0], slot.piece)
        event.add("summary", f"{piece}: {slot.title.in_words(unit)} ({slot.count})")
        event.add("dtstart", begin + timedelta(seconds=slot.begin_s))
        event.add("dtend", begin + timedelta(seconds=slot.end_s))
        event.add("dtstamp", datetime.now(UTC))
        event.add("uid", f"{slot.key.replace(' ', '-').replace(':', '')}@{begin:%Y%m%dT%H%M%S}.lofty-press.invalid")
        if slot.press:
            event.add("location", slot.press)
        calendar.add_component(event)
    data: bytes = calendar.to_ical()
    return data
