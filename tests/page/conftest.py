"""The page's pure functions, bundled once and asked by Node: no browser and no service."""

import json
import shutil
import subprocess

import pytest

from lofty_press.setup import frontend
from lofty_press.setup.paths import WEB

ASK = r"""
import { createInterface } from 'node:readline';
import { answers } from %s;
const kept = new Map();
globalThis.localStorage = {
  getItem: (name) => kept.get(name) ?? null,
  setItem: (name, text) => kept.set(name, text),
  removeItem: (name) => kept.delete(name),
};
const answered = async (line) => {
  kept.clear();
  try {
    return await answers(JSON.parse(line));
  } catch (failed) {
    return { failed: String(failed?.stack ?? failed) };
  }
};
for await (const line of createInterface({ input: process.stdin })) {
  process.stdout.write(JSON.stringify(await answered(line)) + '\n');
}
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

    with subprocess.Popen(
        [node, str(script)], stdin=subprocess.PIPE, stdout=subprocess.PIPE, text=True, encoding="utf-8", cwd=WEB
    ) as process:

        def asked(name, *given):
            questions = json.dumps([[name, list(arguments)] for arguments in given])
            process.stdin.write(questions + "\n")
            process.stdin.flush()
            found = json.loads(process.stdout.readline())
            assert isinstance(found, list), found
            assert len(found) == len(given)
            return found

        yield asked
        process.stdin.close()
