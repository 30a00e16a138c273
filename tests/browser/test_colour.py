"""Colour in the browser: from a target to a pot, a recipe, the plan and the shopping list."""

from __future__ import annotations

from pathlib import Path

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from PIL import Image
from selenium.webdriver.common.action_chains import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from muster.apps.colour.models import Paint, Pot, Target
from muster.apps.roll.models import Muster
from muster.apps.roll.queries import choices_of
from muster.core.colour.spaces import difference, lab_of, xyz_of_hex
from tests.apps.test_colour import SHELF
from tests.browser.driving import Browser
from tests.browser.test_way import at_the_bench, check, sign_up
from tests.browser.touching import drag, middle, touch
from tests.conftest import Clock
from tests.core.colour.test_photo import photograph

pytestmark = pytest.mark.django_db(transaction=True)


@pytest.fixture
def shelf(inside: Browser, ada: Client) -> Browser:
    """Five paints on the shelf."""
    file = SimpleUploadedFile("shelf.csv", SHELF.encode(), content_type="text/csv")
    assert ada.post("/api/shelf-file", {"file": file}).status_code == 200
    inside.keys("3")
    inside.find("//ul[@aria-label='Paints']//button[contains(., 'Reed green')]")
    return inside


@pytest.fixture
def stocked(browser: Browser, held: Clock, tmp_path: Path) -> Browser:
    """Signed up, planned, and five paints taken in from a file."""
    sign_up(browser)
    browser.keys("3")
    browser.find("//h1[.='Colour']")
    file = tmp_path / "shelf.csv"
    file.write_text(SHELF)
    browser.press("add many")
    browser.find("//label[contains(., 'From a file')]")
    browser.driver.find_element(By.XPATH, "//input[@type='file']").send_keys(str(file))
    browser.find("//div[@role='status'][contains(., 'five new paints')]")
    browser.press("Take in")
    browser.find("//ul[@aria-label='Paints']//button[contains(., 'Reed green')]")
    return browser


def find_mix(browser: Browser, target: str) -> None:
    browser.commit("//label[contains(., 'Meant, dry')]//input[@maxlength='9']", target)
    browser.find("//section[@aria-labelledby='answers']//li")
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


def test_drops_are_counted_by_hand_and_the_prediction_follows(shelf: Browser) -> None:
    browser = shelf
    browser.find("//button[@aria-label='+1 drop of Lime white']").click()
    browser.find("//button[@aria-label='+1 drop of Tarn black']").click()
    browser.find("//*[contains(., 'mixed, dry #')]")
    grey = browser.find("//figcaption[contains(., 'mixed, dry')]").text
    browser.find("//button[@aria-label='+ one drop of Lime white']").click()
    browser.until(lambda: browser.find("//figcaption[contains(., 'mixed, dry')]").text != grey)
    browser.press("What to add to come nearer")
    browser.find("//ul[@aria-label='What to add']/li")


def test_a_pot_is_weighed_and_a_swatch_read(shelf: Browser) -> None:
    browser = shelf
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
    browser.commit("//input[@aria-label='Fen clay comes on']", "11 March")

    def first() -> str:
        view = browser.driver.execute_async_script(
            "const done = arguments[1];"
            "fetch(`/api/musters/${arguments[0]}`).then((r) => r.json()).then(done)",
            Muster.objects.get().pk,
        )
        return min(c["start"] for c in view["board"]["calls"] if c["mix"] == "Fen clay")

    browser.until(lambda: first() >= "2027-03-11")


def test_a_colour_is_taken_from_a_photograph_by_keyboard_and_kept(
    shelf: Browser, tmp_path: Path
) -> None:
    browser = shelf
    browser.find("//summary[contains(., 'from a photograph')]").click()
    file = tmp_path / "model.png"
    Image.fromarray(photograph("#5a5a2c", (0.95, 0.75, 0.5))).save(file)
    field = browser.driver.find_element(By.XPATH, "//input[contains(@accept, 'webp')]")
    field.send_keys(str(file))
    picture = browser.find("//div[@role='application']")
    # The loupe shows the spot six times as large, where the cross or the pointer is.
    assert "/api/pictures/" in browser.find("//*[@data-loupe]").value_of_css_property(
        "background-image"
    )
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


def test_out_of_reach_is_said_and_the_hue_is_held(shelf: Browser) -> None:
    browser = shelf
    find_mix(browser, "#1040ff")
    browser.find("//*[contains(@class, 'warn')][.='Out of reach']")
    browser.find("//p[contains(., 'Hold the hue')]")
    browser.find("//*[name()='svg'][contains(@aria-label, 'outside')]")


def test_what_a_pot_dried_to_teaches_its_paints_and_a_paint_forgets(shelf: Browser) -> None:
    browser = shelf
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


def test_a_paint_whose_name_sounds_like_metal_is_asked_about(shelf: Browser) -> None:
    browser = shelf
    browser.commit("//input[contains(@placeholder, 'Reed green #')]", "Bright steel #8f9498 17 ml")
    browser.find("//ul[@aria-label='Paints']//button[contains(., 'Bright steel')]").click()
    browser.find("//p[@role='status'][contains(., 'may be metallic, flake')]")
    browser.press("It is")
    browser.until(lambda: Paint.objects.get(document__name="Bright steel").value().kind == "flake")


def field(browser: Browser) -> str:
    return browser.find("//figcaption[contains(., 'meant')]").text


def test_meant_and_mixed_change_sides_while_the_field_is_held(shelf: Browser) -> None:
    browser = shelf
    find_mix(browser, "#8a9468")
    split = browser.find("//button[contains(@aria-label, 'hold to change sides')]")
    before = field(browser)
    mouse = ActionChains(browser.driver)
    mouse.click_and_hold(split).perform()
    browser.until(lambda: split.get_attribute("aria-pressed") == "true")
    assert field(browser) != before
    mouse.reset_actions()
    ActionChains(browser.driver).release().perform()
    browser.until(lambda: field(browser) == before)
    split.send_keys(Keys.ENTER)
    browser.until(lambda: field(browser) != before)
    split.send_keys(Keys.ENTER)
    browser.until(lambda: field(browser) == before)


def beads(browser: Browser, name: str) -> int:
    path = f"//ul[@aria-label='Drops']/li[contains(., '{name}')]/b"
    found = browser.driver.find_elements(By.XPATH, path)
    return int(found[0].text) if found else 0


def test_beads_are_added_taken_and_pulled(shelf: Browser) -> None:
    browser = shelf
    browser.find("//button[@aria-label='+1 drop of Reed green']").click()
    strip = browser.find("//*[name()='svg'][@data-beads]")
    left = -strip.size["width"] // 2

    def press(at: int) -> None:
        ActionChains(browser.driver).move_to_element_with_offset(
            strip, left + at, 0
        ).click().perform()

    # The empty bead adds one, a full one goes.
    press(30)
    browser.until(lambda: beads(browser, "Reed green") == 2)
    press(50)
    browser.until(lambda: beads(browser, "Reed green") == 3)
    press(10)
    browser.until(lambda: beads(browser, "Reed green") == 2)
    pull = ActionChains(browser.driver).move_to_element_with_offset(strip, left + 30, 0)
    pull.click_and_hold().move_by_offset(30, 0).move_by_offset(60, 0).release().perform()
    browser.until(lambda: beads(browser, "Reed green") == 6)
    browser.find("//*[@role='group'][contains(@aria-label, 'coats over')]//figure")
    for _ in range(6):
        browser.find("//button[@aria-label='− one drop of Reed green']").click()
    browser.find("//p[contains(., 'Nothing in the pot')]")


def test_beads_are_pulled_and_the_field_is_held_by_a_finger(shelf: Browser) -> None:
    browser = shelf
    browser.size(390, 844, touch=True)
    add = browser.find("//button[@aria-label='+1 drop of Lime white']")
    browser.driver.execute_script("arguments[0].scrollIntoView({block: 'center'})", add)
    add.click()
    strip = browser.find("//*[name()='svg'][@data-beads]")
    _, y = middle(browser, strip)
    left = browser.driver.execute_script("return arguments[0].getBoundingClientRect().left", strip)
    drag(browser, (left + 10, y), (left + 78, y))
    browser.until(lambda: beads(browser, "Lime white") == 4)
    split = browser.find("//button[contains(@aria-label, 'hold to change sides')]")
    touch(browser, "touchStart", middle(browser, split))
    browser.until(lambda: split.get_attribute("aria-pressed") == "true")
    touch(browser, "touchEnd")
    browser.until(lambda: split.get_attribute("aria-pressed") == "false")


def test_thirty_paints_are_pasted_their_swatches_typed_and_weighed_by_keys(
    shelf: Browser,
) -> None:
    browser = shelf
    browser.press("add many")
    lines = "\n".join(f"Marsh {n} #{40 + n:02x}6a3{n % 10} acrylic 17 ml" for n in range(1, 31))
    box = browser.find("//textarea")
    browser.driver.execute_script(
        "arguments[0].value = arguments[1]; arguments[0].dispatchEvent(new Event('input'))",
        box, lines + "\nOchre without colour",
    )  # fmt: skip
    box.send_keys(Keys.CONTROL + Keys.ENTER)
    browser.find("//*[contains(., 'line 31: a paint needs its label')]")
    assert Paint.objects.count() == 5
    box.send_keys(Keys.CONTROL + Keys.END)
    box.send_keys(Keys.SHIFT + Keys.HOME)
    box.send_keys(Keys.BACKSPACE)
    box.send_keys(Keys.CONTROL + Keys.ENTER)
    browser.find("//div[@role='status'][contains(., '30 new paints')]")
    browser.press("Take in")
    browser.until(lambda: Paint.objects.count() == 35)
    browser.press("swatches")
    box = browser.find("//textarea")
    box.send_keys("Marsh 1 #5f6a3b\nMarsh 2 over black #39421f")
    browser.press("Take them in")
    browser.until(lambda: Paint.objects.filter(facts__kind="swatch").distinct().count() >= 2)
    browser.press("weigh")
    first = browser.find("//form[@aria-label='Weigh the shelf']//input")
    first.send_keys("19.5" + Keys.ENTER)
    browser.driver.switch_to.active_element.send_keys("21")
    browser.press("Keep 2 weights")
    browser.until(lambda: Paint.objects.filter(facts__kind="weighed").distinct().count() == 2)


def test_one_field_looks_for_a_paint_and_adds_one(shelf: Browser) -> None:
    browser = shelf
    line = browser.find("//input[contains(@placeholder, 'Reed green #')]")
    line.send_keys("och")
    browser.until(lambda: len(shelf_rows(browser)) == 1)
    line.send_keys(Keys.ENTER)
    browser.until(lambda: beads(browser, "Lamp ochre") == 1)
    line.send_keys(Keys.BACKSPACE * 3)
    browser.until(lambda: len(shelf_rows(browser)) == 5)


def shelf_rows(browser: Browser) -> list[str]:
    found = browser.driver.find_elements(By.XPATH, "//ul[@aria-label='Paints']/li")
    return [one.text for one in found]


def test_one_metre_shows_a_card_then_figures_at_true_size(shelf: Browser) -> None:
    browser = shelf
    find_mix(browser, "#8a9468")
    browser.press("One metre")
    slider = browser.find("//input[@type='range']")
    width = int(slider.get_attribute("value") or 0)
    slider.send_keys(Keys.ARROW_RIGHT * 4)
    browser.press("It fits")
    kept = float(browser.driver.execute_script("return localStorage.getItem('px-per-mm')"))
    assert kept == pytest.approx((width + 4) / 85.6)
    figure = browser.find("//*[name()='svg'][contains(@aria-label, 'in the colour meant')]")
    # A man of 1.75 m at 1/72 is 24.3 mm; he fills 212 of the 256 of his drawing's height.
    assert figure.size["height"] == pytest.approx(1750 / 72 * kept * 256 / 212, rel=0.02)
    browser.driver.switch_to.active_element.send_keys(Keys.ESCAPE)
    browser.until(
        lambda: "One metre" not in [h.text for h in browser.driver.find_elements(By.TAG_NAME, "h2")]
    )


def test_axe_finds_nothing_serious_while_colours_are_worked_on(shelf: Browser) -> None:
    find_mix(shelf, "#8a9468")
    shelf.press("weigh")
    shelf.find("//form[@aria-label='Weigh the shelf']")
    check(shelf, "colour, weighing", "day")
    shelf.press("One metre")
    shelf.find("//input[@type='range']")
    check(shelf, "one metre", "day")
