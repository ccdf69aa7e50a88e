"""First step of every command: a virtual environment with the pinned packages, then the real program.

Runs on the system's Python, so it uses the standard library only.
"""

from __future__ import annotations

import hashlib
import os
import shutil
import subprocess
import sys
from pathlib import Path

ROOT = Path(__file__).resolve().parents[3]
STATE = ROOT / ".lofty"
VENV = STATE / "venv"
DEVELOPER_COMMANDS = {"test", "check", "bench", "shots", "publish"}


def say(text: str) -> None:
    print(f"lofty: {text}", file=sys.stderr, flush=True)


def fail(text: str) -> None:
    say(text)
    raise SystemExit(1)


def create_environment() -> None:
    """Make the virtual environment, installing python3-venv where Debian split it off."""
    if (VENV / "bin" / "python").exists():
        return
    say("making a virtual environment in .lofty/venv")
    made = subprocess.run([sys.executable, "-m", "venv", str(VENV)], capture_output=True, text=True)
    if made.returncode == 0:
        return
    shutil.rmtree(VENV, ignore_errors=True)
    prefix = [] if os.geteuid() == 0 else ["sudo", "-n"]
    say("this Python has no venv module; installing Debian's python3-venv")
    environment = {**os.environ, "DEBIAN_FRONTEND": "noninteractive"}
    try:
        subprocess.run([*prefix, "apt-get", "update", "-q"], env=environment, stdout=subprocess.DEVNULL, check=True)
        install = ["apt-get", "install", "-y", "-q", "--no-install-recommends", "python3-venv"]
        subprocess.run([*prefix, *install], env=environment, stdout=subprocess.DEVNULL, check=True)
        subprocess.run([sys.executable, "-m", "venv", str(VENV)], check=True)
    except (OSError, subprocess.CalledProcessError):
        shutil.rmtree(VENV, ignore_errors=True)
        fail("could not make a virtual environment. Run: sudo apt-get install python3-venv   and start again.")


def install(name: str) -> None:
    """Install one pinned list once; a stamp with its hash says that it is done."""
    listed = ROOT / "requirements" / f"{name}.txt"
    digest = hashlib.sha256(listed.read_bytes()).hexdigest()
    stamp = VENV / f"installed-{name}"
    if stamp.exists() and stamp.read_text() == digest:
        return
    say(f"installing the pinned packages of requirements/{name}.txt (once)")
    pip = [str(VENV / "bin" / "python"), "-m", "pip", "install", "--quiet", "--disable-pip-version-check"]
    if subprocess.run([*pip, "-r", str(listed)]).returncode:
        fail(f"pip could not install requirements/{name}.txt; its message is above. Is a package index reachable?")
    stamp.write_text(digest)


def main() -> None:
    arguments = sys.argv[1:]
    STATE.mkdir(exist_ok=True)
    create_environment()
    install("base")
    if arguments and arguments[0] in DEVELOPER_COMMANDS:
        install("dev")
    environment = {**os.environ, "PYTHONPATH": str(ROOT / "src"), "VIRTUAL_ENV": str(VENV)}
    environment["PATH"] = f"{VENV / 'bin'}{os.pathsep}{environment.get('PATH', '')}"
    python = str(VENV / "bin" / "python")
    os.execve(python, [python, "-m", "lofty_press.cli", *arguments], environment)


if __name__ == "__main__":
    main()
