"""Every computation that a worker may be given; importing this brings all that they need."""

from lofty_press.service.computing.assessment import jobs as assessment
from lofty_press.service.computing.cards import jobs as cards
from lofty_press.service.computing.coach import jobs as coach
from lofty_press.service.computing.feed import jobs as feed
from lofty_press.service.computing.photos import jobs as photos
from lofty_press.service.computing.recipes import jobs as recipes
from lofty_press.service.computing.setout import jobs as setout
from lofty_press.service.keeping.archive import restore as archive
from lofty_press.service.keeping.impressions import jobs as impressions
from lofty_press.service.keeping.plan import jobs as plan
from lofty_press.service.keeping.plates import jobs as plates
from lofty_press.service.keeping.practice import jobs as practice
from lofty_press.service.keeping.reliefs import jobs as reliefs
from lofty_press.service.keeping.room import jobs as room
from lofty_press.service.keeping.runs import jobs as runs
from lofty_press.service.keeping.sandwiches import jobs as sandwiches
from lofty_press.service.keeping.shelf import files as shelf
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
