"""The application: routes, errors, protection and the built page, put together."""

import asyncio
import contextlib
import secrets
from collections.abc import AsyncIterator, Callable, Sequence
from contextlib import asynccontextmanager
from functools import lru_cache
from pathlib import Path

from fastapi import FastAPI, Response
from fastapi.openapi.utils import get_fields_from_routes
from fastapi.responses import FileResponse, HTMLResponse
from fastapi.routing import APIRoute
from fastapi.staticfiles import StaticFiles
from starlette.concurrency import run_in_threadpool
from starlette.routing import BaseRoute

from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.relief import Library, no_library
from lofty_press.core.sandwich.stack import Sandwich
from lofty_press.service.computing.assessment import routes as assessment
from lofty_press.service.computing.cards import routes as cards
from lofty_press.service.computing.coach import routes as coach
from lofty_press.service.computing.feed import routes as feed
from lofty_press.service.computing.photos import routes as photos
from lofty_press.service.computing.recipes import routes as recipes
from lofty_press.service.computing.setout import routes as setout
from lofty_press.service.db.connection import Database
from lofty_press.service.db.once import forget_old_keys
from lofty_press.service.devices import routes as devices
from lofty_press.service.devices.gauge import Gauge
from lofty_press.service.devices.motor import Motor
from lofty_press.service.devices.sensor import Sensor
from lofty_press.service.http.errors import NotFound, ServiceError, install_error_handlers
from lofty_press.service.http.own_work import DOCUMENT, OWN_WORK
from lofty_press.service.http.security import NONCE_HEADER, Guard
from lofty_press.service.keeping.archive import routes as archive
from lofty_press.service.keeping.choices import routes as choices
from lofty_press.service.keeping.impressions import routes as impressions
from lofty_press.service.keeping.impressions.runs import Runs
from lofty_press.service.keeping.paper import routes as paper
from lofty_press.service.keeping.pictures import routes as pictures
from lofty_press.service.keeping.plan import routes as plan
from lofty_press.service.keeping.plates import routes as plates
from lofty_press.service.keeping.practice import routes as practice
from lofty_press.service.keeping.reliefs import routes as reliefs
from lofty_press.service.keeping.room import routes as room
from lofty_press.service.keeping.room.room import Room
from lofty_press.service.keeping.runs import routes as press_runs
from lofty_press.service.keeping.runs.found_by import fill_in_if_possible
from lofty_press.service.keeping.sandwiches import routes as sandwiches
from lofty_press.service.keeping.shelf import routes as shelf
from lofty_press.service.settings import Settings
from lofty_press.service.work.answers import Answers
from lofty_press.service.work.crew import Crew

NONCE_MARK = "__NONCE__"


def create_app(settings: Settings, built_in: Library = no_library, piles: tuple[Sandwich, ...] = ()) -> FastAPI:
    """Build the application for some settings; `built_in` finds the reliefs that come with the program, `piles` are those to practise with."""

    @asynccontextmanager
    async def lifespan(app: FastAPI) -> AsyncIterator[None]:
        get_fields_from_routes(
            app.routes
        )  # builds every route now, while no other thread is at work; the description waits until it is asked for
        database = Database(settings.database, settings.trouble)
        app.state.database, app.state.scratch = database, settings.scratch
        app.state.reading = asyncio.Lock()
        app.state.crew = Crew(built_in, Answers(database, piles))
        app.state.runs = Runs(database, app.state.crew)
        app.state.room = Room(database, app.state.crew)
        own_ports = (settings.port, settings.database.port)
        app.state.gauge, app.state.motor, app.state.sensor = (kind(database, own_ports) for kind in (Gauge, Motor, Sensor))
        learning = asyncio.create_task(app.state.room.learn_if_possible())
        filling = asyncio.create_task(run_in_threadpool(fill_in_if_possible, database))
        with contextlib.suppress(ServiceError), database.writing() as connection:
            forget_old_keys(connection)
        yield
        learning.cancel()
        await filling
        for instrument in (app.state.gauge, app.state.motor, app.state.sensor):
            instrument.close()
        app.state.crew.close()
        app.state.runs.close()
        database.close()

    app = FastAPI(title="Lofty Press", version="0.1.0", lifespan=lifespan, docs_url=None, redoc_url=None, openapi_url="/api/openapi.json")
    install_error_handlers(app)
    nouns = (
        archive,
        choices,
        shelf,
        sandwiches,
        assessment,
        pictures,
        reliefs,
        photos,
        impressions,
        recipes,
        cards,
        press_runs,
        feed,
        plates,
        room,
        setout,
        plan,
        coach,
        paper,
        practice,
        devices,
    )
    for noun in nouns:
        app.include_router(noun.router)

    @app.get("/api/health", tags=["health"], operation_id="health")
    async def health() -> dict[str, str]:
        """Answers while the application runs, whatever the database does."""
        return {"status": "up"}

    @app.api_route("/api/{rest:path}", methods=["GET", "HEAD", "POST", "PUT", "DELETE"], include_in_schema=False)
    def no_such_route(rest: str) -> None:
        raise NotFound(say("There's nothing at /api/{rest}.", rest=rest[:80]))

    if settings.page is not None:
        serve_page(app, settings.page)
    app.add_middleware(
        Guard, port=settings.port, key=settings.key, largest_for=largest_bodies([route for noun in nouns for route in noun.router.routes])
    )
    return app


def largest_bodies(routes: Sequence[BaseRoute]) -> Callable[[str], int]:
    """How large a body a path takes, by what its route does with it. [bytes]"""
    large = [
        (route.path_regex, own.most)
        for route in routes
        if isinstance(route, APIRoute) and (own := OWN_WORK.get(route.operation_id or "")) is not None and own.most > DOCUMENT.most
    ]

    @lru_cache(500)
    def largest_for(path: str) -> int:
        return max((most for shape, most in large if shape.match(path)), default=DOCUMENT.most)

    return largest_for


def serve_page(app: FastAPI, folder: Path) -> None:
    """Serve the built page; every address that is not a file is the page itself."""
    app.mount("/assets", StaticFiles(directory=folder / "assets"), name="assets")
    text = (folder / "index.html").read_text()

    @app.get("/favicon.svg", include_in_schema=False)
    def icon() -> FileResponse:
        return FileResponse(folder / "favicon.svg")

    @app.api_route("/{rest:path}", methods=["GET", "HEAD"], include_in_schema=False)
    def page(rest: str) -> Response:
        nonce = secrets.token_urlsafe(16)
        return HTMLResponse(text.replace(NONCE_MARK, nonce), headers={NONCE_HEADER: nonce, "cache-control": "no-cache"})
