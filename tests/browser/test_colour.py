"""Colour in the browser: from a target to a pot, a recipe, the plan and the shopping list."""

from __future__ import annotations

from pathlib import Path

import pytest
from PIL import Image
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from muster.apps.colour.models import Paint, Pot, Target
from muster.apps.roll.models import Muster
from muster.apps.roll.queries import choices_of
from muster.core.colour.spaces import difference, lab_of, xyz_of_hex
from tests.apps.test_colour import SHELF
from tests.browser.conftest import Browser
from tests.browser.test_way import at_the_bench, sign_up
from tests.conftest import Clock
from tests.core.colour.test_photo import photograph

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


def test_a_colour_is_taken_from_a_photograph_by_keyboard_and_kept(
    stocked: Browser, tmp_path: Path
) -> None:
    browser = stocked
    browser.find("//summary[contains(., 'from a photograph')]").click()
    file = tmp_path / "model.png"
    Image.fromarray(photograph("#5a5a2c", (0.95, 0.75, 0.5))).save(file)
    field = browser.driver.find_element(By.XPATH, "//input[contains(@accept, 'webp')]")
    field.send_keys(str(file))
    picture = browser.find("//div[@role='application']")
    for _ in range(5):
        picture.send_keys(Keys.SHIFT + Keys.ARROW_LEFT)
    picture.send_keys(Keys.ENTER)
    for _ in range(7):
        picture.send_keys(Keys.SHIFT + Keys.ARROW_RIGHT)
    picture.send_keys(Keys.ENTER)
    browser.find("//p[contains(., 'the light taken out')]")
    browser.commit("//input[contains(@placeholder, 'hull')]", "last year's hull")
    browser.find("//ul[@aria-label='Kept targets']//b[contains(., 'last year')]")
    kept = Target.objects.get()
    labs = lab_of(xyz_of_hex([kept.colour, "#5a5a2c"]))
    assert float(difference(labs[0], labs[1])) < 3 and kept.picture is not None
    browser.find("//button[contains(., 'Put away') or contains(@aria-label, 'away')]").click()
    browser.press("Bring it back")
    browser.find("//ul[@aria-label='Kept targets']//button[.='Match it']").click()
    browser.find(f"//*[contains(., 'meant {kept.colour}')]")


def test_out_of_reach_is_said_and_the_hue_is_held(stocked: Browser) -> None:
    browser = stocked
    find_mix(browser, "#1040ff")
    browser.find("//*[contains(@class, 'warn')][.='Out of reach']")
    browser.press("Show it")
    browser.find("//p[contains(., 'Hold the hue')]")
    browser.find("//*[name()='svg'][contains(@aria-label, 'outside')]")


def test_what_a_pot_dried_to_teaches_its_paints_and_a_paint_forgets(stocked: Browser) -> None:
    browser = stocked
    for name in ("Reed green", "Lamp ochre", "Tarn black"):
        browser.find(f"//button[@aria-label='+1 drop of {name}']").click()
    browser.commit("//input[@placeholder='name of the pot']", "khaki")
    browser.find("//section[@aria-labelledby='pots']//b[.='khaki']")
    browser.commit("//label[contains(., 'dried to')]//input", "#3f4a2a")
    browser.find("//p[@role='status'][contains(., 'learnt; the same mix is now predicted #')]")
    browser.find("//ul[@aria-label='Paints']//button[contains(., 'Reed green')]").click()
    browser.find("//ul[@aria-label='Swatches']/li[contains(., 'from a pot')]")
    browser.press("Forget all it learnt")
    browser.until(
        lambda: not browser.driver.find_elements(By.XPATH, "//ul[@aria-label='Swatches']")
    )


def test_a_paint_whose_name_sounds_like_metal_is_asked_about(stocked: Browser) -> None:
    browser = stocked
    browser.commit("//input[contains(@placeholder, 'Reed green #')]", "Bright steel #8f9498 17 ml")
    browser.find("//ul[@aria-label='Paints']//button[contains(., 'Bright steel')]").click()
    browser.find("//p[@role='status'][contains(., 'may be metallic, flake')]")
    browser.press("It is")
    browser.until(lambda: Paint.objects.get(document__name="Bright steel").value().kind == "flake")
