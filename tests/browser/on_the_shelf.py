"""How a test finds its way about the shelf."""

from playwright.sync_api import Locator, Page, expect


def details(page: Page, name: str) -> Locator:
    """Everything else that is known of a thing, opened under its row."""
    found = page.get_by_role("group", name=f"Details of {name}", exact=True)
    more = page.get_by_role("button", name=f"More of {name}", exact=True).first  # a copy has its original's name
    expect(more).to_be_visible()
    if found.count() == 0:  # what was just made appears open
        more.click()
    expect(found).to_be_visible()
    return found


def unfolded(page: Page, name: str) -> Locator:
    """The same with the figures that nobody needs to know."""
    found = details(page, name)
    folded = found.locator("details:not([open]) > summary")
    if folded.count():
        folded.click()
    return found


def taken_off(page: Page, name: str) -> None:
    """Take a thing off the shelf."""
    details(page, name).get_by_role("button", name=f"Take {name} off the shelf").click()
    expect(page.get_by_role("listitem", name=name, exact=True)).to_have_count(0)
