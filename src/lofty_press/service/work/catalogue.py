"""Every computation that a worker may be given; importing this brings all that they need."""

from lofty_press.service.archive import restore as archive
from lofty_press.service.assessment import jobs as assessment
from lofty_press.service.cards import jobs as cards
from lofty_press.service.coach import jobs as coach
from lofty_press.service.feed import jobs as feed
from lofty_press.service.impressions import jobs as impressions
from lofty_press.service.photos import jobs as photos
from lofty_press.service.plan import jobs as plan
from lofty_press.service.plates import jobs as plates
from lofty_press.service.practice import jobs as practice
from lofty_press.service.recipes import jobs as recipes
from lofty_press.service.reliefs import jobs as reliefs
from lofty_press.service.room import jobs as room
from lofty_press.service.runs import jobs as runs
from lofty_press.service.sandwiches import jobs as sandwiches
from lofty_press.service.setout import jobs as setout
from lofty_press.service.shelf import files as shelf
from lofty_press.service.work import checking

MODULES = (
    archive,
    assessment,
    cards,
    checking,
    coach,
    feed,
    impressions,
    photos,
    plan,
    plates,
    practice,
    recipes,
    reliefs,
    room,
    runs,
    sandwiches,
    setout,
    shelf,
)
