"""Node, the page's packages and the built page."""

import hashlib
import os
import shutil
import subprocess
import sys
from pathlib import Path

from lofty_press.setup.bootstrap import alone
from lofty_press.setup.paths import DIST, ROOT, STATE, WEB
from lofty_press.setup.say import give_up, say

OLDEST_NODE = (20, 19)


def node_version(node: str) -> tuple[int, int]:
    """Major and minor version that a node program reports; (0, 0) if it does not run."""
    try:
        text = subprocess.run([node, "--version"], capture_output=True, text=True, check=True).stdout
        major, minor, _ = text.strip().lstrip("v").split(".")
        return int(major), int(minor)
    except (OSError, ValueError, subprocess.CalledProcessError):
        return 0, 0


def npm_program() -> str:
    """A usable npm: the machine's own, or the one that a Python package brings."""
    own = shutil.which("npm")
    node = shutil.which("node")
    if own and node and node_version(node) >= OLDEST_NODE:
        return own
    say("no Node 20.19 or newer on this machine; bringing one into the virtual environment")
    listed = ROOT / "requirements" / "node.txt"
    pip = [sys.executable, "-m", "pip", "install", "--quiet", "--disable-pip-version-check", "-r", str(listed)]
    if subprocess.run(pip).returncode:
        give_up("could not install Node. Install Node 20.19 or newer and start again.")
    return str(Path(sys.executable).parent / "npm")


def run_npm(*arguments: str) -> None:
    """Run npm in web/, giving up with its output when it fails."""
    program = npm_program()
    environment = {**os.environ, "CI": "true"}
    done = subprocess.run([program, *arguments], cwd=WEB, env=environment, capture_output=True, text=True)
    if done.returncode:
        give_up(f"npm {' '.join(arguments)} failed:\n{done.stdout[-4000:]}\n{done.stderr[-4000:]}")


def ensure_packages() -> None:
    """Install what the lock file names, once for each lock file."""
    digest = hashlib.sha256((WEB / "package-lock.json").read_bytes()).hexdigest()
    stamp = WEB / "node_modules" / ".installed"
    if stamp.exists() and stamp.read_text() == digest:
        return
    say("installing the page's packages from web/package-lock.json (once)")
    run_npm("ci")
    stamp.write_text(digest)


def source_digest() -> str:
    """Hash over everything that the built page depends on."""
    digest = hashlib.sha256()
    files = [p for p in sorted((WEB / "src").rglob("*")) if p.is_file()]
    files += [WEB / name for name in ("index.html", "package-lock.json", "vite.config.ts", "tsconfig.json")]
    for path in files:
        digest.update(str(path.relative_to(WEB)).encode())
        digest.update(path.read_bytes())
    return digest.hexdigest()


def ensure_page() -> None:
    """Build the page if its sources changed since the last build: aside, then put in place whole."""
    with alone(STATE):
        stamp = STATE / "page-built"
        digest = source_digest()
        if stamp.exists() and stamp.read_text() == digest and (DIST / "index.html").exists():
            return
        ensure_packages()
        say("building the page")
        aside, old = DIST.with_name("dist.new"), DIST.with_name("dist.old")
        run_npm("run", "build", "--", "--outDir", aside.name, "--emptyOutDir")
        stamp.unlink(missing_ok=True)  # whatever interrupts what follows, the next start builds anew
        shutil.rmtree(old, ignore_errors=True)
        if DIST.exists():
            DIST.rename(old)
        aside.rename(DIST)
        shutil.rmtree(old, ignore_errors=True)
        stamp.write_text(digest)
