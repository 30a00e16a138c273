"""Colour in the browser: from a target to a pot, a recipe, the plan and the shopping list."""

from __future__ import annotations

from pathlib import Path

import pytest
from selenium.webdriver.common.by import By
from selenium.webdriver.support.ui import Select

from muster.apps.colour.models import Paint, Pot
from muster.apps.roll.models import Muster
from muster.apps.roll.queries import choices_of
from tests.apps.test_colour import SHELF
from tests.browser.conftest import Browser
from tests.browser.test_way import at_the_bench, sign_up
from tests.conftest import Clock

pytestmark = pytest.mark.django_db(transaction=True)


@pytest.fixture
def stocked(browser: Browser, held: Clock, tmp_path: Path) -> Browser:
    """Signed up, planned, and five paints taken in from a file."""
    sign_up(browser)
    browser.keys("3")
    browser.find("//h1[.='Colour']")
    file = tmp_path / "shelf.csv"
    file.write_text(SHELF)
    browser.driver.find_element(By.XPATH, "//input[@type='file']").send_keys(str(file))
    browser.find("//div[@role='status'][contains(., 'five new paints')]")
    browser.press("Take in")
    browser.find("//ul[@aria-label='Paints']//button[contains(., 'Reed green')]")
    return browser


def find_mix(browser: Browser, target: str) -> None:
    browser.commit("//label[contains(., 'colour that is meant')]//input[@maxlength='9']", target)
    browser.find("//h3[contains(., 'Mixes that match')]")
    browser.find(f"//*[contains(., 'meant {target}')]")
    browser.find("//p[@role='status'][contains(., 'apart (CIEDE2000)')]")


def test_a_mix_is_found_saved_used_and_seen_in_plan_and_shopping_list(stocked: Browser) -> None:
    browser = stocked
    find_mix(browser, "#8a9468")
    drops = browser.driver.find_elements(By.XPATH, "//ul[@aria-label='Drops']/li")
    assert 1 <= len(drops) <= 3
    browser.commit("//input[@placeholder='name of the pot']", "reed light")
    browser.find("//section[@aria-labelledby='pots']//b[.='reed light']")
    assert Pot.objects.get().name == "reed light"
    use = browser.find("//section[@aria-labelledby='pots']//select")
    group = use.find_element(By.XPATH, ".//optgroup[@label='Infantry in six colours']")
    Select(use).select_by_value(
        group.find_element(By.XPATH, "./option[contains(., 'cloth')]").get_attribute("value") or ""
    )
    browser.find("//p[@role='status'][contains(., 'version 2 now; Pikes follow')]")
    assert choices_of(Muster.objects.get()).units[0].recipe_version == 2
    browser.press("Supplies")
    browser.find("//h1[.='Supplies']")
    row = browser.find("//tr[contains(., 'Lime white')]")
    assert "Pikes" in row.text


def test_drops_are_counted_by_hand_and_the_prediction_follows(stocked: Browser) -> None:
    browser = stocked
    browser.find("//button[@aria-label='+1 drop of Lime white']").click()
    browser.find("//button[@aria-label='+1 drop of Tarn black']").click()
    browser.find("//*[contains(., 'mixed, dry #')]")
    grey = browser.find("//p[contains(., 'mixed, dry')]").text
    browser.find("//button[@aria-label='+ one drop of Lime white']").click()
    browser.until(lambda: browser.find("//p[contains(., 'mixed, dry')]").text != grey)
    browser.press("What to add to come nearer")
    browser.find("//ul[@aria-label='What to add']/li")


def test_a_pot_is_weighed_and_a_swatch_read(stocked: Browser) -> None:
    browser = stocked
    browser.find("//ul[@aria-label='Paints']//button[contains(., 'Reed green')]").click()
    browser.find("//section[@aria-label='Reed green']")
    browser.press("Read it")
    browser.find("//ul[@aria-label='Swatches']/li[contains(., 'masstone')]")
    browser.press("Weigh it")
    browser.until(lambda: Paint.objects.filter(facts__kind="weighed").exists())
    browser.press("Take off the shelf")
    browser.find("//p[@role='status'][contains(., 'Reed green taken off')]")
    browser.press("Put it back")
    browser.find("//ul[@aria-label='Paints']//button[contains(., 'Reed green')]")


def test_the_bench_shows_drops_for_the_call(stocked: Browser, held: Clock) -> None:
    held.move(minutes=35)
    at_the_bench(stocked)
    stocked.find("//h1[contains(., ',')] | //h2")
    card = stocked.text()
    assert "ml for this call" in card or "parts" not in card


def test_a_paint_that_comes_later_moves_the_plan(stocked: Browser) -> None:
    browser = stocked
    browser.keys("7")
    browser.find("//h1[.='Supplies']")
    day = browser.find("//tr[contains(., 'Fen clay')]//input[@type='date']")
    browser.driver.execute_script(
        "arguments[0].value = '2027-03-11'; arguments[0].dispatchEvent(new Event('change'))", day
    )
    browser.find("//tr[contains(., 'Fen clay')]//input[@type='date']")

    def first() -> str:
        view = browser.driver.execute_async_script(
            "const done = arguments[1];"
            "fetch(`/api/musters/${arguments[0]}`).then((r) => r.json()).then(done)",
            Muster.objects.get().pk,
        )
        return min(c["start"] for c in view["board"]["calls"] if c["mix"] == "Fen clay")

    browser.until(lambda: first() >= "2027-03-11")
