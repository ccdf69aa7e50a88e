"""Where a torch was held, found from how its light falls off over white paper."""

import math
from dataclasses import dataclass
from functools import cached_property

import numpy as np
from scipy.optimize import least_squares

from lofty_press.core.imaging.shading.response import MOST_STANDS, Response
from lofty_press.core.sandwich.stack import FloatArray

SOFT = 0.02  # of white, what a value is off by counts less beyond that: shadows and prints
WEIGHT = 0.35  # of a place's misfit beside what cameras usually do: neighbours are off together
SAME = 0.04  # of its share of white, that a field of the wedge may differ by between photos
ASIDE = (0.0, -0.8, 0.8)  # from the side where the paper is brightest, where it is looked for [rad]
FAR = 170.0  # mm, where the search begins
COVERED = 0.7  # of the paper's usual light without the torch, under which a place is covered by the tool
BARE = 4.0  # times `SOFT`, within which a place is bare paper
MOSTLY_BARE, ROUNDS = 50, 2  # hundredths of the places that are taken for bare in any case; rounds of leaving out those that aren't
LEAST = 60  # places
FEW = 350  # places are enough of each photo
SCALES = (50.0, 50.0, 0.3, 0.5, 1.0)  # of the search: mm, mm, and logarithms


@dataclass(frozen=True)
class Torch:
    """A small lamp over the sheet.

    `place` right, down and up from the sheet's corner (3,) [mm]; its light on white paper facing it at a distance d is `strength` / d^2 [1, mm];
    `room` is how much light comes on top without it, at the middle of what the paper has [1]; `off_by` how far the paper's light is from that, as a share [1].
    """

    place: FloatArray
    strength: float
    room: float
    off_by: float

    @property
    def searched(self) -> FloatArray:
        """It as a point of the search, (5,)."""
        return np.array([*self.place[:2], math.log(self.place[2]), math.log(self.strength), math.log(self.room)])

    def towards(self, points: FloatArray) -> tuple[FloatArray, FloatArray]:
        """Unit vectors (n, 3) from points (n, 3) to the torch, and distances (n,). [mm]"""
        away = self.place - points
        far = np.sqrt((away**2).sum(axis=1))
        return away / far[:, None], far

    def on_paper(self, points: FloatArray) -> FloatArray:
        """Light (n,) of white paper at places (n, 2) of the sheet [mm], the room's own taken as even."""
        way, far = self.towards(np.column_stack([points, np.zeros(len(points))]))
        return np.asarray(self.strength * way[:, 2] / far**2 + self.room)

    def azimuth(self, middle: FloatArray) -> float:
        """Side of a place (2,) of the sheet that it shines from: 0 right, 90 towards the top. [degree]"""
        right, down = self.place[:2] - middle
        return math.degrees(math.atan2(-down, right)) % 360.0

    def elevation(self, middle: FloatArray) -> float:
        """How high it stands over the sheet, seen from a place (2,) of it. [degree]"""
        return math.degrees(math.atan2(self.place[2], float(np.hypot(*(self.place[:2] - middle)))))


@dataclass(frozen=True)
class PaperLight:
    """Bare paper in a photo: places (n, 2) [mm], pixel values there (n,), and those while the torch is off (n,) or None [0 to 1]."""

    points: FloatArray
    values: FloatArray
    without: FloatArray | None

    @cached_property
    def usual(self) -> FloatArray:
        """The middle of the values while the torch is off, (1,)."""
        return np.atleast_1d(np.median(self.without)) if self.without is not None else np.ones(1)

    def thinned(self) -> "PaperLight":
        """Fewer places, spread over all of them."""
        step = max(len(self.points) // FEW, 1)
        return PaperLight(self.points[::step], self.values[::step], None if self.without is None else self.without[::step])


def torches_of(
    papers: list[PaperLight], wedges: list[PaperLight], middle: FloatArray, *, near: list[Torch | None] | None = None
) -> tuple[list[Torch | None], Response]:
    """Find the torches of a series of photos, and how their camera turns light into values.

    Parameters
    ----------
    papers : list of PaperLight
        One a photo.
    wedges : list of PaperLight
        The fields of the gray wedge in each of them.
    middle : ndarray, shape (2,)
        Where the tool is on the sheet. [mm]
    near : list of Torch or None
        What was found before from other places of the paper; None where nothing was.

    Returns
    -------
    torches : list of Torch or None
        None where too little paper is seen.
    response : Response

    Notes
    -----
    A small lamp at L lights matte paper at x by c h / |L - x|^3, where h is its height over it. Least squares on the logarithm: L, c and the room's light of each
    photo alone, from the side where the paper is brightest, then of all together with the response that they share. A field of the wedge, however dark it was printed, is the same share of
    white in every photo: that is what the response's dark end is found from. What lies in a shadow or under the tool counts little.
    """
    thin = [usable(paper.thinned()) for paper in papers]
    known = near or [None] * len(papers)
    starts = [
        None if len(paper.points) < LEAST else alone(paper, middle) if torch is None else torch.searched
        for paper, torch in zip(thin, known, strict=True)
    ]
    seen = [n for n, start in enumerate(starts) if start is not None]
    if not seen:
        return [None] * len(papers), Response()
    found, response = [start for start in starts if start is not None], Response()
    for _ in range(ROUNDS):
        bare = [fitting(thin[n], values, response) for n, values in zip(seen, found, strict=True)]
        found, response = together(bare, (found, response), [wedges[n] for n in seen])
    torches: list[Torch | None] = [None] * len(papers)
    for n, values in zip(seen, found, strict=True):
        off = np.abs(misfit_of(values, thin[n], response)) * SOFT
        place = np.array([values[0], values[1], math.exp(values[2])])
        torches[n] = Torch(place, math.exp(values[3]), math.exp(values[4]), float(np.percentile(off, 60)))
    return torches, response


def usable(paper: PaperLight) -> PaperLight:
    """The places whose values say something."""
    good = Response.known(paper.values)
    if paper.without is not None:
        light = Response().light(paper.without)
        good &= Response.known(paper.without) & (light > COVERED * float(np.median(light)))
    return PaperLight(paper.points[good], paper.values[good], None if paper.without is None else paper.without[good])


def fitting(paper: PaperLight, values: FloatArray, response: Response) -> PaperLight:
    """The places that are bare paper by the torch that was found from all: neither under the tool nor in its shadow."""
    off = np.abs(misfit_of(values, paper, response))
    good = off < max(BARE, float(np.percentile(off, MOSTLY_BARE)))
    return PaperLight(paper.points[good], paper.values[good], None if paper.without is None else paper.without[good])


def misfit_of(values: FloatArray, paper: PaperLight, response: Response) -> FloatArray:
    """How far the paper's values are from those in the light of a torch, over what counts in full. [1]"""
    base = base_of(paper, response)
    off = log_model(values, paper.points, base) - response.log_light(paper.values)
    return np.asarray(off * response.answers(paper.values) / SOFT)


def base_of(paper: PaperLight, response: Response) -> FloatArray | float:
    """Light without the torch over its own middle."""
    if paper.without is None or not len(paper.without):
        return 1.0
    return np.asarray(np.exp(response.log_light(paper.without) - response.log_light(paper.usual)))


def share_of(values: FloatArray, paper: PaperLight, response: Response) -> FloatArray:
    """Logarithm of the light of places over that of white paper there."""
    base = base_of(paper, response)
    return response.log_light(paper.values) - log_model(values, paper.points, base)


def log_model(values: FloatArray, points: FloatArray, base: FloatArray | float) -> FloatArray:
    """Logarithm of the light of paper at places (n, 2) under a torch and the room's own light."""
    x, y, up = values[0], values[1], math.exp(values[2])
    far = np.sqrt((x - points[:, 0]) ** 2 + (y - points[:, 1]) ** 2 + up**2)
    return np.asarray(np.log(math.exp(values[3]) * up / far**3 + math.exp(values[4]) * base))


def alone(paper: PaperLight, middle: FloatArray) -> FloatArray:
    """The torch of one photo by a usual response."""
    usual = Response()
    base, seen = base_of(paper, usual), usual.log_light(paper.values)
    counts = usual.answers(paper.values) / SOFT

    def misfit(values: FloatArray) -> FloatArray:
        return np.asarray((log_model(values, paper.points, base) - seen) * counts)

    tries = []
    away = paper.points - middle
    brightest = math.atan2(*(np.exp(seen) @ away)[::-1])
    for aside in ASIDE:
        angle = brightest + aside
        start = [middle[0] + 0.8 * FAR * math.cos(angle), middle[1] + 0.8 * FAR * math.sin(angle), math.log(0.6 * FAR), 0.0, math.log(1e-2)]
        start[3] = float(np.median(seen - log_model(np.array(start), paper.points, base)))
        tries.append(least_squares(misfit, start, loss="soft_l1", x_scale=SCALES, max_nfev=20))
    best = min(tries, key=lambda tried: float(tried.cost))
    return np.asarray(least_squares(misfit, best.x, loss="cauchy", x_scale=SCALES, max_nfev=40).x)


def together(
    papers: list[PaperLight], begin: tuple[list[FloatArray], Response], wedges: list[PaperLight]
) -> tuple[list[FloatArray], Response]:
    """All torches, and the response that they share."""
    count = 5 * len(papers)

    def misfit(values: FloatArray) -> FloatArray:
        torches, response = values[:count].reshape(-1, 5), Response(tuple(values[count:]))
        off = [WEIGHT * misfit_of(torch, paper, response) for torch, paper in zip(torches, papers, strict=True)]
        shares = np.stack([share_of(torch, wedge, response) for torch, wedge in zip(torches, wedges, strict=True)])
        known = np.stack([Response.known(wedge.values) for wedge in wedges])
        usual = (shares * known).sum(axis=0) / np.maximum(known.sum(axis=0), 1)
        same = np.where(known, (shares - usual) / SAME, 0.0)
        return np.concatenate([*off, same.ravel(), response.unusual()])

    start = np.concatenate([*begin[0], np.array(begin[1].stands)])
    best = least_squares(misfit, start, loss="soft_l1", x_scale=[*SCALES] * len(papers) + [0.2] * MOST_STANDS, max_nfev=60)
    return list(best.x[:count].reshape(-1, 5)), Response(tuple(best.x[count:]))
