"""First step of every command: a virtual environment with the pinned packages, then the real program.

Runs on the system's Python, so it uses the standard library only. An environment is made aside and put in place whole; whatever interrupts
it, the next start begins that step anew. Only one command sets up at a time, the others wait.
"""

from __future__ import annotations

import contextlib
import fcntl
import hashlib
import os
import re
import secrets
import shutil
import subprocess
import sys
from collections.abc import Iterator
from pathlib import Path

ROOT = Path(__file__).resolve().parents[3]
STATE = ROOT / ".lofty"
VENV = STATE / "venv"
DEVELOPER_COMMANDS = {"test", "check", "bench", "shots", "publish", "siege"}
RECORD = re.compile(r"^class (\w+)\(NamedTuple\)", re.MULTILINE)
UNFINISHED = "unfinished"
"""In an environment: a package list is being installed, or its installation was broken off."""


def say(text: str) -> None:
    print(f"lofty: {text}", file=sys.stderr, flush=True)


def fail(text: str) -> None:
    say(text)
    raise SystemExit(1)


@contextlib.contextmanager
def alone(state: Path) -> Iterator[None]:
    """Hold the lock of the set-up; wait for another command that is at it. The system gives it free when a process ends, however it ends."""
    with (state / "setup.lock").open("w") as handle:
        try:
            fcntl.flock(handle, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except BlockingIOError:
            say("waiting for another lofty that is setting up")
            fcntl.flock(handle, fcntl.LOCK_EX)
        yield


def make_venv(folder: Path) -> None:
    """Make a bare virtual environment, installing python3-venv where Debian split it off."""
    made = subprocess.run([sys.executable, "-m", "venv", str(folder)], capture_output=True, text=True)
    if made.returncode == 0:
        return
    shutil.rmtree(folder, ignore_errors=True)
    prefix = [] if os.geteuid() == 0 else ["sudo", "-n"]
    say("this Python has no venv module; installing Debian's python3-venv")
    environment = {**os.environ, "DEBIAN_FRONTEND": "noninteractive"}
    try:
        subprocess.run([*prefix, "apt-get", "update", "-q"], env=environment, stdout=subprocess.DEVNULL, check=True)
        install = ["apt-get", "install", "-y", "-q", "--no-install-recommends", "python3-venv"]
        subprocess.run([*prefix, *install], env=environment, stdout=subprocess.DEVNULL, check=True)
        subprocess.run([sys.executable, "-m", "venv", str(folder)], check=True)
    except (OSError, subprocess.CalledProcessError):
        shutil.rmtree(folder, ignore_errors=True)
        fail("could not make a virtual environment. Run: sudo apt-get install python3-venv   and start again.")


def digest_of(name: str) -> str:
    return hashlib.sha256((ROOT / "requirements" / f"{name}.txt").read_bytes()).hexdigest()


def is_installed(folder: Path, name: str) -> bool:
    """True if an environment is whole and has a pinned list as it is now; a stamp with its hash says so."""
    stamp = folder / f"installed-{name}"
    return not (folder / UNFINISHED).exists() and stamp.exists() and stamp.read_text() == digest_of(name)


def install(folder: Path, name: str) -> None:
    """Install one pinned list into an environment."""
    if is_installed(folder, name):
        return
    say(f"installing the pinned packages of requirements/{name}.txt (once)")
    unfinished = folder / UNFINISHED
    unfinished.touch()
    pip = [str(folder / "bin" / "python"), "-m", "pip", "install", "--quiet", "--disable-pip-version-check"]
    if subprocess.run([*pip, "-r", str(ROOT / "requirements" / f"{name}.txt")]).returncode:
        fail(f"pip could not install requirements/{name}.txt; its message is above. Is a package index reachable?")
    (folder / f"installed-{name}").write_text(digest_of(name))
    unfinished.unlink()


def ensure_environment(lists: tuple[str, ...], place: Path = VENV) -> None:
    """Have an environment with these lists at `place`, a link to where it was made."""
    if (place / "bin" / "python").exists() and not (place / UNFINISHED).exists():
        for name in lists:
            install(place, name)
        return
    say("making a virtual environment in .lofty/venv")
    aside = place.with_name(f"venv-{secrets.token_hex(4)}")
    make_venv(aside)
    for name in lists:
        install(aside, name)
    link = place.with_name("venv.new")
    link.unlink(missing_ok=True)
    link.symlink_to(aside.name)
    if place.is_dir() and not place.is_symlink():
        shutil.rmtree(place)
    link.replace(place)
    for old in place.parent.glob("venv-*"):
        if old != aside:
            shutil.rmtree(old, ignore_errors=True)


def forget_compiled(core: Path, state: Path) -> None:
    """Throw compiled code away if a record that it was compiled for is gone or has another name: its index cannot be read any more, and
    nothing would be computed."""
    files = sorted(core.rglob("*.py"))
    records = [f"{file.relative_to(core)} {name}" for file in files for name in RECORD.findall(file.read_text(encoding="utf-8"))]
    known, stamp = "\n".join(records), state / "compiled-records"
    if stamp.exists() and stamp.read_text(encoding="utf-8") == known:
        return
    for compiled in core.rglob("__pycache__/*.nb[ic]"):
        compiled.unlink(missing_ok=True)
    stamp.write_text(known, encoding="utf-8")


def main() -> None:
    arguments = sys.argv[1:]
    try:
        STATE.mkdir(exist_ok=True)
        lists = ("base", "dev") if arguments and arguments[0] in DEVELOPER_COMMANDS else ("base",)
        with alone(STATE):
            ensure_environment(lists)
            forget_compiled(ROOT / "src" / "lofty_press" / "core", STATE)
    except OSError as error:
        fail(f"cannot write in {STATE.name} beside this program ({error.strerror}): the folder must be yours and not read-only.")
    except KeyboardInterrupt:
        fail("stopped in the middle of setting up; the next start goes on with it.")
    environment = {**os.environ, "PYTHONPATH": str(ROOT / "src"), "VIRTUAL_ENV": str(VENV)}
    environment["PATH"] = f"{VENV / 'bin'}{os.pathsep}{environment.get('PATH', '')}"
    python = str(VENV / "bin" / "python")
    os.execve(python, [python, "-m", "lofty_press.cli", *arguments], environment)


if __name__ == "__main__":
    main()
