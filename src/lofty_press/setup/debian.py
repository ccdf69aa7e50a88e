"""Programs that come from Debian's packages."""

import os
import shutil
import subprocess
from pathlib import Path

from lofty_press.setup.bootstrap import alone
from lofty_press.setup.paths import STATE
from lofty_press.setup.say import give_up, say

MARIADB = ("mariadb-server", "mariadbd")
CHROMIUM = ("chromium", "chromium")


def find_program(name: str) -> str | None:
    """Path of a program, looking also where daemons live."""
    search = os.environ.get("PATH", "") + os.pathsep + "/usr/sbin:/usr/local/sbin:/sbin"
    return shutil.which(name, path=search)


def ensure(*wanted: tuple[str, str]) -> None:
    """Install each (package, program) whose program is missing, or say exactly what to install."""
    missing = [package for package, program in wanted if find_program(program) is None]
    if not missing:
        return
    names = " ".join(missing)
    by_hand = f"install by hand: sudo apt-get install --no-install-recommends {names}"
    if shutil.which("apt-get") is None:
        give_up(f"{names} missing and this is not a Debian system; {by_hand}")
    prefix = [] if os.geteuid() == 0 else ["sudo", "-n"]
    if prefix and (shutil.which("sudo") is None or subprocess.run(["sudo", "-n", "true"], capture_output=True).returncode):
        give_up(f"{names} missing and sudo would ask for a password; {by_hand}")
    with alone(STATE):
        say(f"installing {names} from Debian's packages (about a minute)")
        install_debian(prefix, missing, by_hand)


def install_debian(prefix: list[str], packages: list[str], by_hand: str) -> None:
    # policy-rc.d answers 101 ("not allowed") so that the package does not start a system service of its own.
    policy = Path("/usr/sbin/policy-rc.d")
    guard = prefix == [] and not policy.exists()
    if guard:
        policy.write_text("#!/bin/sh\nexit 101\n")
        policy.chmod(0o755)
    environment = ["env", "DEBIAN_FRONTEND=noninteractive"]
    try:
        subprocess.run([*prefix, *environment, "dpkg", "--configure", "-a"], capture_output=True)  # ends what was broken off before
        for step in (["update", "-q"], ["install", "-y", "-q", "--no-install-recommends", *packages]):
            done = subprocess.run([*prefix, *environment, "apt-get", *step], capture_output=True, text=True)
            if done.returncode:
                give_up(f"apt-get {step[0]} failed: {done.stderr.strip()[-400:]}\nlofty: {by_hand}")
    finally:
        if guard:
            policy.unlink(missing_ok=True)
