"""Saving: one write at a time, the newest state wins, and nothing that is not acknowledged is forgotten."""


def record(body, version, key="a"):
    return {"id": key, "version": version, "body": body}


def play(ask, *steps, key="a"):
    (found,) = ask("kept", [[{"open": record("one", 1, key)}, *steps]])
    return found


SAVE = {"save": True}


def test_a_change_is_sent_on_the_version_that_was_opened(ask):
    found = play(ask, {"change": "two"}, SAVE, {"reply": record("two", 2)})
    assert found == {"told": ["saved", "unsaved", "saving", "saved"], "sent": [["a", "two", 1]], "shown": "two", "version": 2}


def test_nothing_changed_is_nothing_sent(ask):
    assert play(ask, SAVE)["sent"] == []


def test_what_changes_while_a_save_is_on_its_way_is_sent_after_it_and_on_its_version(ask):
    found = play(ask, {"change": "two"}, SAVE, {"change": "three"}, SAVE, {"reply": record("two", 2)}, {"reply": record("three", 3)})
    assert found["sent"] == [["a", "two", 1], ["a", "three", 2]]
    assert found["told"][-1] == "saved"


def test_work_stays_on_the_page_while_the_service_is_away(ask):
    found = play(ask, {"change": "two"}, SAVE, {"reply": [503, "database-away"]})
    assert (found["told"][-1], found["shown"]) == ("offline", "two")


def test_a_draft_comes_first_and_is_sent(ask):
    left, after = ask(
        "kept",
        [[{"open": record("one", 1)}, {"change": "two"}, SAVE, {"reply": [0, "offline"]}]],
        [[{"open": record("one", 1)}, SAVE, {"reply": record("two", 2)}]],
    )
    assert left["told"][-1] == "offline"
    assert (after["shown"], after["sent"], after["told"]) == ("two", [["a", "two", 1]], ["unsaved", "saving", "saved"])


def test_two_who_change_it_end_in_a_choice(ask):
    clash = [{"change": "mine"}, SAVE, {"reply": [409, "conflict", record("theirs", 5)]}]
    mine = play(ask, *clash, {"change": "mine too"}, {"choose": "mine"}, SAVE, {"reply": record("mine too", 6)})
    assert mine["told"] == ["saved", "unsaved", "saving", "conflict", "conflict", "unsaved", "saving", "saved"]
    assert mine["sent"][-1] == ["a", "mine too", 5]
    theirs = play(ask, *clash, {"choose": "theirs"}, SAVE)
    assert (theirs["shown"], theirs["told"][-1], theirs["version"], len(theirs["sent"])) == ("theirs", "saved", 5, 1)


def test_a_refusal_is_not_sent_again_by_itself(ask):
    found = play(ask, {"change": "two"}, SAVE, {"reply": [422, "invalid"]})
    assert found["told"][-1] == "refused"
    assert found["shown"] == "two"


def test_a_draft_on_an_older_version_is_a_conflict(ask):
    _, after = ask(
        "kept",
        [[{"open": record("one", 1)}, {"change": "two"}]],
        [[{"open": record("other", 4)}]],
    )
    assert (after["told"], after["shown"]) == (["conflict"], "two")


def test_another_one_opened_meanwhile_is_saved_too(ask):
    found = play(
        ask,
        {"change": "two"},
        SAVE,
        {"open": record("else", 7, "b")},
        {"change": "else two"},
        SAVE,
        {"reply": record("two", 2)},
        {"reply": record("else two", 8, "b")},
    )
    assert found["sent"] == [["a", "two", 1], ["b", "else two", 7]]
    assert (found["told"][-1], found["version"]) == ("saved", 8)
