"""``crisp check``: a recipe looked over without the server."""

from __future__ import annotations

import json
from pathlib import Path

import pytest

from muster.cli.check import FINDINGS, NONE, REFUSED, main
from muster.core.formats.recipe import write
from tests.core.stack.making import BASE, GLOSS, MATT, UNDER, p, recipe


def file_of(folder: Path, *passes, **more) -> str:
    path = folder / "recipe.json"
    path.write_text(write(recipe(*passes, **more)), encoding="utf-8")
    return str(path)


def test_a_sound_recipe_exits_0_and_says_so(tmp_path: Path, capsys) -> None:
    assert main([file_of(tmp_path, UNDER, BASE, MATT)]) == NONE
    assert "Nothing found." in capsys.readouterr().out


def test_findings_exit_1_with_their_repairs(tmp_path: Path, capsys) -> None:
    path = file_of(tmp_path, UNDER, BASE, p("decal", "numbers"), MATT)
    assert main([path]) == FINDINGS
    out = capsys.readouterr().out
    assert "error (silvering)" in out
    assert "can be mended: a gloss coat first" in out
    assert main([path, "--habit", "decal_ground=fluids", "--json"]) == FINDINGS
    report = json.loads(capsys.readouterr().out)
    assert [one["severity"] for one in report["findings"]] == ["note"]


def test_the_room_and_the_house_change_the_waits(tmp_path: Path, capsys) -> None:
    path = file_of(tmp_path, BASE, GLOSS, p("pin wash", "pin wash"), MATT)

    def wait(*words: str) -> float:
        main([path, "--json", *words])
        return json.loads(capsys.readouterr().out)["passes"][2]["wait_min"]

    assert wait("--room", "10,50") == 2 * wait()
    assert wait("--habit", "all-acrylic") < wait() / 10


def test_cautions_defer_to_the_label(tmp_path: Path, capsys) -> None:
    main([file_of(tmp_path, UNDER, BASE, MATT)])
    out = capsys.readouterr().out
    assert "caution: Extraction or a particle mask." in out
    assert "label" in out.splitlines()[-3] or "label" in out


@pytest.mark.parametrize(
    ("change", "said"),
    [
        ({"kind": "vehicle", "passes": [{"technique": "stew"}]}, "no technique"),
        ({"kind": "vehicle", "passes": [{"technique": "brush", "medium": "soup"}]}, "no medium"),
        ({"kind": "vehicle", "passes": []}, "passes"),
        ({"kind": "castle", "passes": [{"technique": "brush"}]}, "kind"),
    ],
)
def test_what_cannot_be_walked_is_refused_with_what_helps(
    tmp_path: Path, capsys, change, said: str
) -> None:
    path = tmp_path / "bad.json"
    document = {"format": "crisp-muster/recipe", "version": 1, "recipe": {"name": "bad", **change}}
    path.write_text(json.dumps(document))
    assert main([str(path)]) == REFUSED
    assert said in capsys.readouterr().err


def test_a_room_or_a_habit_that_is_none_is_refused(tmp_path: Path, capsys) -> None:
    path = file_of(tmp_path, UNDER, BASE, MATT)
    assert main([path, "--room", "warm"]) == REFUSED
    assert "12,75" in capsys.readouterr().err
    assert main([path, "--habit", "loud"]) == REFUSED
    assert "all-acrylic" in capsys.readouterr().err
    assert main([str(tmp_path / "none.json")]) == REFUSED
