"""What a finding says over its reason: short enough to take in at a glance."""

import ast
from pathlib import Path

from lofty_press.core.basics.words import say
from lofty_press.core.judging.findings import rules
from lofty_press.core.judging.findings.near_limit import beyond, part_of

MOST = 8
"""Words of a headline; common practice, no published source."""


def headlines():
    """Every text that a rule gives as `what` of a finding: as its third argument, or by that name."""
    found = []
    for file in sorted(Path(rules.__file__).parent.glob("*.py")):
        for node in ast.walk(ast.parse(file.read_text())):
            if isinstance(node, ast.Call) and getattr(node.func, "id", "") == "Finding":
                found += texts_in(node.args[2])
            elif isinstance(node, ast.Assign) and getattr(node.targets[0], "id", "") == "what":
                found += texts_in(node.value)
            elif isinstance(node, ast.Assign) and isinstance(node.targets[0], ast.Tuple) and isinstance(node.value, ast.Tuple):
                pairs = zip(node.targets[0].elts, node.value.elts, strict=True)
                found += [text for name, value in pairs if getattr(name, "id", "") == "what" for text in texts_in(value)]
    return found


def texts_in(value):
    """What is said in an expression, not in what fills its holes."""
    if isinstance(value, ast.IfExp):
        return texts_in(value.body) + texts_in(value.orelse)
    if isinstance(value, ast.Call) and getattr(value.func, "id", "") == "say" and isinstance(value.args[0], ast.Constant):
        return [value.args[0].value]
    return []


def test_a_finding_is_headed_by_eight_words_at_most():
    found = headlines()
    assert len(found) > 80
    assert [text for text in found if len(text.split()) > MOST] == []


def test_a_share_never_contradicts_the_call_over_it():
    """Just short of enough isn't said as all of it, and just over the most not as nothing more."""
    assert str(say("{part}", part=part_of(0.999, 1.0))) == "99 %"
    assert str(say("{more}", more=beyond(1.001, 1.0))) == "1 %"
    assert str(say("{part}", part=part_of(0.3, 1.0))) == "30 %"
