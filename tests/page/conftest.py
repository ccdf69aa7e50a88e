"""The page's pure functions, bundled once and asked by Node: no browser and no service."""

import json
import shutil
import subprocess

import pytest

from lofty_press.setup import frontend
from lofty_press.setup.paths import WEB

ASK = """
import { answers } from %s;
const kept = new Map();
globalThis.localStorage = {
  getItem: (name) => kept.get(name) ?? null,
  setItem: (name, text) => kept.set(name, text),
  removeItem: (name) => kept.delete(name),
};
let text = '';
process.stdin.setEncoding('utf8').on('data', (part) => (text += part)).on('end', async () => {
  process.stdout.write(JSON.stringify(await answers(JSON.parse(text))));
});
"""


@pytest.fixture(scope="session")
def ask(tmp_path_factory):
    """Asks the page's functions: `ask("fraction", [25.4], [3.2])` gives one answer for each list of arguments."""
    frontend.ensure_packages()
    folder = tmp_path_factory.mktemp("answers")
    frontend.run_npm("run", "answers", "--", "--outDir", str(folder), "--emptyOutDir")
    script = folder / "ask.mjs"
    script.write_text(ASK % json.dumps("./answers.mjs"))
    node = shutil.which("node") or str(frontend.npm_program()).removesuffix("npm") + "node"

    def asked(name, *given):
        questions = json.dumps([[name, list(arguments)] for arguments in given])
        done = subprocess.run([node, str(script)], input=questions, capture_output=True, text=True, cwd=WEB, timeout=60)
        assert done.returncode == 0, done.stderr
        found = json.loads(done.stdout)
        assert len(found) == len(given)
        return found

    return asked
