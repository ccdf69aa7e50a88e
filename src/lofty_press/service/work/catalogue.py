"""Every computation that a worker may be given; importing this brings all that they need."""

from lofty_press.service.archive import jobs as archive
from lofty_press.service.assessment import jobs as assessment
from lofty_press.service.cards import jobs as cards
from lofty_press.service.feed import jobs as feed
from lofty_press.service.impressions import jobs as impressions
from lofty_press.service.plates import jobs as plates
from lofty_press.service.recipes import jobs as recipes
from lofty_press.service.reliefs import jobs as reliefs
from lofty_press.service.runs import jobs as runs
from lofty_press.service.sandwiches import jobs as sandwiches
from lofty_press.service.shelf import files as shelf

MODULES = (archive, assessment, cards, feed, impressions, plates, recipes, reliefs, runs, sandwiches, shelf)
