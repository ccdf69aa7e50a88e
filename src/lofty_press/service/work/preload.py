"""Brings everything that computations need into the process that workers are forked from, compiled, so that a new one is there at once."""

import ortools.sat.python.cp_model  # noqa: F401
import scipy.signal  # noqa: F401
import trimesh  # noqa: F401

import lofty_press.documents.printed.run_card_pdf
import lofty_press.documents.printed.template_pdf
import lofty_press.service.work.catalogue  # noqa: F401
from lofty_press.documents.kept.kept_tables import keep_tables
from lofty_press.service.warm import warm_everything
from lofty_press.setup.paths import TABLES

keep_tables(TABLES)
warm_everything()
