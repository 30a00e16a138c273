"""The plan under the hand: calls moved by mouse, keys and finger; time scrolled and turned; rows
folded and ordered; a plan laid beside the plan."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

import pytest
from django.test import Client
from selenium.webdriver import ActionChains, Keys
from selenium.webdriver.common.by import By
from selenium.webdriver.remote.webelement import WebElement

from muster.apps.plan.models import Alternative, CalendarAddress
from muster.apps.roll.models import Muster
from tests.browser.driving import Browser
from tests.browser.test_way import check
from tests.browser.touching import touch
from tests.conftest import NEW, Clock, post

pytestmark = pytest.mark.django_db(transaction=True)

ESCAPE = Keys.ESCAPE
TICKET = "//section[contains(@aria-label, 'ticket')]"


@pytest.fixture
def plan(browser: Browser, ada: Client, held: Clock) -> Iterator[Browser]:
    """A plan of three units in view; the browser is signed in."""
    units = [{"line": "24 pikes foot 1/72", "recipe": "infantry-six"}, *NEW["units"][1:]]
    made = post(ada, "musters", {**NEW, "units": units})
    browser.driver.add_cookie(
        {"name": "sessionid", "value": ada.cookies["sessionid"].value, "path": "/"}
    )
    browser.driver.execute_script("localStorage.setItem('tour', 'ended')")
    browser.go(f"/{made.body['id']}/plan")
    browser.find("//*[@data-call]")
    yield browser


def version() -> int:
    return int(Muster.objects.get().version)


def view(ada: Client) -> dict[str, Any]:
    return dict(ada.get(f"/api/musters/{Muster.objects.get().pk}").json())


def box_of(browser: Browser, words: str) -> WebElement:
    """A call on the board whose name holds these words."""
    return browser.find(f"//*[@data-call][contains(@aria-label, '{words}')]")


def middle_of(browser: Browser, one: WebElement) -> tuple[float, float]:
    edge = browser.driver.execute_script(
        "const b = arguments[0].getBoundingClientRect(); return [b.x, b.y, b.width, b.height]", one
    )
    return edge[0] + edge[2] / 2, edge[1] + edge[3] / 2


def rails(browser: Browser) -> list[WebElement]:
    return browser.driver.find_elements(By.CSS_SELECTOR, "[data-rail]")


def rail_in(browser: Browser, number: int) -> tuple[float, float]:
    """A place on the rail so many sittings on."""
    browser.until(lambda: len(rails(browser)) > number)
    x, y = middle_of(browser, rails(browser)[number])
    return x, y


def pinned(ada: Client, name: str) -> bool:
    calls = view(ada)["board"]["calls"]
    return any(one["pinned"] for one in calls if one["tray_name"] + ", " + one["name"] == name)


def name_of(one: WebElement) -> str:
    said = one.get_attribute("aria-label") or ""
    return ", ".join(said.split(", ")[:-1])


# ---- a call is moved ---------------------------------------------------------------------------


def test_a_call_is_dragged_to_a_rail_and_the_rest_mends(plan: Browser, ada: Client) -> None:
    one = box_of(plan, "Pikes 1")
    name = name_of(one)
    ActionChains(plan.driver).move_to_element(one).click_and_hold().move_by_offset(12, 2).perform()
    x, _ = rail_in(plan, 1)
    assert len(rails(plan)) > 1
    said = "return document.querySelector('svg [data-rail]').closest('svg').textContent"
    assert "as planned" in plan.driver.execute_script(said)
    here = middle_of(plan, one)
    ActionChains(plan.driver).move_by_offset(int(x - here[0] - 12), 4).perform()
    ActionChains(plan.driver).release().perform()
    plan.until(lambda: version() == 2)
    assert pinned(ada, name)
    # Where calls stood before is drawn until it is seen.
    plan.find("//*[@data-ghost]")
    plan.press("Seen")
    plan.until(lambda: not plan.driver.find_elements(By.CSS_SELECTOR, "[data-ghost]"))
    plan.keys("u")
    plan.until(lambda: version() == 3)
    assert not pinned(ada, name)


def test_let_go_far_from_its_row_it_stays_where_it_was(plan: Browser, ada: Client) -> None:
    one = box_of(plan, "Pikes 1")
    ActionChains(plan.driver).move_to_element(one).click_and_hold().move_by_offset(30, 0).perform()
    rail_in(plan, 0)
    ActionChains(plan.driver).move_by_offset(0, 160).release().perform()
    plan.until(lambda: not rails(plan))
    ActionChains(plan.driver).move_to_element(one).click_and_hold().move_by_offset(30, 0).perform()
    rail_in(plan, 0)
    plan.keys(ESCAPE)
    ActionChains(plan.driver).release().perform()
    plan.until(lambda: not rails(plan))
    assert version() == 1


def test_by_keys_a_call_goes_from_place_to_place(plan: Browser, ada: Client) -> None:
    name = plan.find("//section[@aria-label='The chosen call']//h2").text
    plan.keys("m")
    plan.find("//ul[@aria-label='Places of this call']//button[contains(., 'as planned')]")
    rail_in(plan, 1)
    plan.keys(Keys.ARROW_RIGHT)
    plan.find("//ul[@aria-label='Places of this call']//li[2]/button[contains(@class, 'bold')]")
    plan.keys(ESCAPE)
    plan.until(lambda: not rails(plan))
    assert version() == 1 and plan.find("//section[@aria-label='The chosen call']//h2").text == name
    plan.keys("m")
    rail_in(plan, 1)
    plan.keys(Keys.ARROW_RIGHT + Keys.ENTER)
    plan.until(lambda: version() == 2)
    plan.find("//button[.='Unpin']").click()
    plan.until(lambda: version() == 3)
    assert not any(one["pinned"] for one in view(ada)["board"]["calls"])


def test_a_place_can_be_pressed_as_a_button_too(plan: Browser) -> None:
    plan.press("Move …")
    plan.find("//ul[@aria-label='Places of this call']//li[2]/button").click()
    plan.until(lambda: version() == 2)


def test_by_finger_a_call_is_drawn_to_a_rail(plan: Browser, ada: Client) -> None:
    plan.size(1024, 768, touch=True)
    x, y = middle_of(plan, box_of(plan, "Pikes 1"))
    # A finger that only brushes it scrolls the board.
    touch(plan, "touchStart", (x, y))
    touch(plan, "touchMove", (x - 60, y))
    touch(plan, "touchEnd")
    plan.until(lambda: scroll(plan) > 0)
    assert not rails(plan)
    plan.keys("w")
    plan.until(lambda: scroll(plan) == 0)
    # One that rests on it takes it up.
    one = box_of(plan, "Pikes 1")
    name = name_of(one)
    x, y = middle_of(plan, one)
    touch(plan, "touchStart", (x, y))
    to, _ = rail_in(plan, 1)
    touch(plan, "touchMove", (x + 12, y))
    touch(plan, "touchMove", (to, y + 4))
    touch(plan, "touchMove", (to + 1, y + 4))
    touch(plan, "touchEnd")
    plan.until(lambda: version() == 2)
    assert pinned(ada, name)


def test_a_press_chooses_and_moves_nothing(plan: Browser) -> None:
    one = box_of(plan, "Lancers")
    name = name_of(one)
    one.click()
    heading = plan.find("//section[@aria-label='The chosen call']//h2").text
    assert all(part in heading for part in name.split(", ")[:2])
    assert not rails(plan) and version() == 1


# ---- time and rows -----------------------------------------------------------------------------


def scroll(browser: Browser) -> float:
    return float(
        browser.driver.execute_script(
            "return document.querySelector('[aria-label=\"The board\"]').scrollLeft"
        )
    )


def width(browser: Browser) -> float:
    return float(
        browser.driver.execute_script(
            "return document.querySelector('[aria-label=\"Calls by tray and sitting\"]')"
            ".getBoundingClientRect().width"
        )
    )


def test_time_turns_from_the_whole_plan_to_one_evening_by_keys(plan: Browser) -> None:
    usual = width(plan)
    plan.keys("w")
    plan.until(lambda: width(plan) < usual)
    whole = width(plan)
    plan.keys("e")
    plan.until(lambda: width(plan) > 2 * whole)
    evening = width(plan)
    plan.keys("-")
    plan.until(lambda: width(plan) < evening)
    plan.keys("+")
    plan.until(lambda: width(plan) == pytest.approx(evening, rel=0.02))


def test_by_control_and_wheel_the_place_under_the_hand_stays(plan: Browser) -> None:
    before = width(plan)
    plan.driver.execute_script(
        "const box = document.querySelector('[aria-label=\"The board\"]').getBoundingClientRect();"
        "document.querySelector('[aria-label=\"The board\"]').dispatchEvent(new WheelEvent('wheel',"
        "{ctrlKey: true, bubbles: true, cancelable: true, deltaY: -200, clientX: box.x + 500,"
        "clientY: box.y + 200}))"
    )
    # Stretched at once, laid out when the hand rests.
    plan.until(lambda: width(plan) > before * 1.5)
    plan.until(
        lambda: not plan.driver.find_elements(By.CSS_SELECTOR, "svg.stretched") and scroll(plan) > 0
    )


def test_two_fingers_turn_the_scale(plan: Browser) -> None:
    plan.size(1024, 768, touch=True)
    before = width(plan)
    touch(plan, "touchStart", (500, 400), (600, 400))
    for step in range(1, 6):
        touch(plan, "touchMove", (500 - 15 * step, 400), (600 + 15 * step, 400))
    touch(plan, "touchEnd")
    plan.until(lambda: width(plan) > before * 1.3)


def row_names(browser: Browser) -> list[str]:
    found: list[str] = browser.driver.execute_script(
        "return [...document.querySelectorAll('[aria-label*=\"moves its unit\"] b')]"
        ".map((one) => one.textContent)"
    )
    return found


def test_rows_fold_by_unit_and_stay_so(plan: Browser) -> None:
    assert row_names(plan)[:2] == ["Pikes 1", "Pikes 2"]
    plan.find("//*[starts-with(@aria-label, 'Pikes 1')]").click()
    plan.until(lambda: row_names(plan)[0] == "Pikes")
    plan.driver.refresh()
    plan.until(lambda: row_names(plan)[:1] == ["Pikes"])
    # Its trays' calls lie in the one row.
    assert box_of(plan, "Pikes 2").is_displayed()
    plan.keys("f")
    plan.until(lambda: row_names(plan)[:2] == ["Pikes 1", "Pikes 2"])
    plan.keys("f")
    plan.until(lambda: row_names(plan)[0] == "Pikes")
    plan.press("Open units")
    plan.until(lambda: row_names(plan)[:2] == ["Pikes 1", "Pikes 2"])


def test_units_are_put_in_another_order_by_mouse_and_by_keys(plan: Browser) -> None:
    assert row_names(plan)[-1] == "Guns"
    guns = plan.find("//*[starts-with(@aria-label, 'Guns')]")
    ActionChains(plan.driver).move_to_element(guns).click_and_hold().move_by_offset(
        0, -10
    ).move_by_offset(0, -40).release().perform()
    plan.until(lambda: row_names(plan)[-1] == "Lancers")
    guns = plan.find("//*[starts-with(@aria-label, 'Guns')]")
    guns.send_keys(Keys.ALT + Keys.ARROW_DOWN)
    plan.until(lambda: row_names(plan)[-1] == "Guns")


def test_what_the_chosen_call_waits_for_stays_in_sight_at_800_pixels(plan: Browser) -> None:
    plan.find("//tr[contains(., 'This plan')] | //*[contains(., 'when the plan rests')]")
    for place in ("The chosen call", "What is left, and offers"):
        edge = plan.driver.execute_script(
            "const b = document.querySelector(`[aria-label='${arguments[0]}']`)"
            ".getBoundingClientRect(); return [b.top, Math.min(b.bottom, innerHeight)]", place,
        )  # fmt: skip
        assert edge[1] - edge[0] >= 120, place
    page = plan.driver.execute_script("return document.documentElement.scrollHeight")
    assert page <= 800


# ---- beside ------------------------------------------------------------------------------------


def offers(browser: Browser) -> None:
    browser.press("Stop")
    browser.find("//tr[contains(., 'This plan')]")


def test_an_offer_is_looked_at_left_kept_and_taken(plan: Browser, ada: Client) -> None:
    offers(plan)
    rows = row_names(plan)
    plan.find("//button[@aria-label='Look at: Whole units']").click()
    plan.find("//*[@aria-label='A plan beside the plan'][contains(., 'Only tried')]")
    plan.until(lambda: row_names(plan) != rows)
    plan.press("Leave it")
    plan.until(lambda: row_names(plan) == rows)
    assert version() == 1
    plan.find("//button[@aria-label='Look at: Whole units']").click()
    plan.press("Keep beside")
    plan.find("//button[@aria-label='Let go: Whole units']")
    assert Alternative.objects.get().name == "Whole units"
    plan.press("Take it")
    plan.until(lambda: version() == 2)
    plan.until(lambda: row_names(plan) != rows)
    plan.driver.refresh()
    plan.find("//button[@aria-label='Let go: Whole units']").click()
    plan.until(lambda: not Alternative.objects.exists())
    plan.press("Put it back")
    plan.until(Alternative.objects.exists)
    plan.find("//button[@aria-label='Let go: Whole units']").click()
    plan.until(lambda: not Alternative.objects.exists())


def test_a_tried_plan_cannot_be_dragged(plan: Browser) -> None:
    offers(plan)
    plan.find("//button[@aria-label='Look at: Whole units']").click()
    plan.find("//*[@aria-label='A plan beside the plan']")
    plan.until(lambda: row_names(plan)[0] == "Pikes")
    one = box_of(plan, "Pikes")
    ActionChains(plan.driver).move_to_element(one).click_and_hold().move_by_offset(30, 0).perform()
    ActionChains(plan.driver).release().perform()
    assert not rails(plan) and not plan.driver.find_elements(By.XPATH, "//button[.='Move … M']")


# ---- paper and calendar ------------------------------------------------------------------------


def test_the_calendar_has_a_private_address_that_can_be_renewed(plan: Browser) -> None:
    plan.press("Print …")
    plan.find("//a[contains(., 'Run sheet, PDF')]")
    plan.press("Make a private address")
    field = plan.find("//input[contains(@aria-label, 'Private address')]")
    first = field.get_attribute("value") or ""
    assert CalendarAddress.objects.get().secret in first
    plan.press("A new address")
    plan.until(lambda: field.get_attribute("value") not in ("", first))
    check(plan, "print", "day")
    plan.press("No address any more")
    plan.find("//button[contains(., 'Make a private address')]")
    assert not CalendarAddress.objects.exists()


def test_the_evening_is_one_path_on_a_phone(plan: Browser, ada: Client) -> None:
    plan.size(390, 844, touch=True)
    evening = plan.find("//section[@aria-label='The evening']")
    first = plan.find("//section[@aria-label='The evening']//h2").text
    assert "Tue 2" in first
    stops = evening.find_elements(By.TAG_NAME, "li")
    drawn = evening.find_elements(By.CSS_SELECTOR, "svg > rect")
    assert len(stops) == len(drawn) > 3
    stops[0].find_element(By.TAG_NAME, "button").click()
    plan.find("//section[@aria-label='The evening']//li[1]//p[contains(., 'to ')]")
    plan.find("//button[@aria-label='The next evening']").click()
    plan.until(lambda: "Thu 4" in plan.find("//section[@aria-label='The evening']//h2").text)
    wide = plan.driver.execute_script("return document.documentElement.scrollWidth")
    assert wide <= 390


def test_the_code_of_a_ticket_opens_the_call_of_its_tray(plan: Browser, ada: Client) -> None:
    number = Muster.objects.get().pk
    bench = view(ada)["bench"]["call"]["tray"]
    other = next(row["id"] for row in view(ada)["board"]["rows"] if row["id"] != bench)
    plan.go(f"/{number}/bench?tray={other}")
    plan.find("//section[@aria-label='The tray of the ticket'][contains(., 'planned for')]")
    check(plan, "a ticket", "day")
    plan.press("Put the ticket away")
    plan.until(
        lambda: (
            not plan.driver.find_elements(By.XPATH, "//section[contains(@aria-label, 'ticket')]")
        )
    )
    plan.go(f"/{number}/bench?tray=gone.1")
    plan.find("//*[contains(., 'is not in this muster any more')]")
    plan.go(f"/{number}/bench?tray={bench}")
    plan.find("//button[contains(., 'Sit down now')] | //button[contains(., 'Start this call')]")
    assert not plan.driver.find_elements(By.XPATH, TICKET)
