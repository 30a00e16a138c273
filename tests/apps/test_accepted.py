"""What is accepted can be read: documents from the schemas, imported, and every page of them."""

from __future__ import annotations

import itertools
import json
import os
import re
from datetime import timedelta
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from hypothesis import HealthCheck, Phase, given, settings
from hypothesis import strategies as st
from hypothesis.extra.django import TestCase

from muster.api.root import api
from muster.apps import clock
from tests import generating
from tests.conftest import TUESDAY

EXAMPLES = int(os.environ.get("CRISP_EXAMPLES", "8"))
MANY = settings(
    max_examples=EXAMPLES, deadline=None,
    # An example is a whole muster, planned: making a failing one smaller would take minutes.
    phases=[Phase.explicit, Phase.reuse, Phase.generate],
    suppress_health_check=[HealthCheck.too_slow, HealthCheck.data_too_large,
                           HealthCheck.filter_too_much],
)  # fmt: skip
LATER = [timedelta(hours=2), timedelta(days=9), timedelta(days=400), timedelta(days=15_000)]
"""How much later a muster is opened again."""

READS = {
    path: [one["name"] for one in methods["get"].get("parameters", [])]
    for path, methods in api.get_openapi_schema()["paths"].items()
    if "get" in methods
}


def upload(client: Client, path: str, document: Any) -> Any:
    """A document sent as a file."""
    file = SimpleUploadedFile("made.json", json.dumps(document).encode())
    return client.post(f"/api/{path}", {"file": file})


def read_everything(client: Client, values: dict[str, list[str]]) -> None:
    """Get every page of the API, with each of the values that its parameters may have."""
    for path, names in READS.items():
        # Of the sheets to print those of what was imported: the starters are always the same.
        ours = {**values, "code": values["code"][-2:]} if "form" in names else values
        for chosen in itertools.product(*(ours[name] for name in names)):
            by_name = dict(zip(names, chosen, strict=True))
            address = re.sub(r"\{(\w+)\}", lambda one, by=by_name: by.pop(one[1]), path)
            answer = client.get(address, by_name)
            allowed = (
                (200, 404)
                if {"call", "since", "picture_id", "joint", "unit"} & set(names)
                else (200,)
            )
            assert answer.status_code in allowed, (address, by_name, answer.content[:400])


class Accepted(TestCase):
    """Each example in a database of its own."""

    def setup_example(self) -> None:
        super().setup_example()
        self.patch = pytest.MonkeyPatch()
        self.now = TUESDAY
        self.patch.setattr(clock, "now", lambda: self.now)
        user = User.objects.create_user("ada", password="reeds and silt")
        self.client = Client()
        self.client.force_login(user, "django.contrib.auth.backends.ModelBackend")

    def teardown_example(self, example: Any) -> None:
        self.patch.undo()
        super().teardown_example(example)

    def values(self, muster: int, view: dict[str, Any]) -> dict[str, list[str]]:
        """By parameter: what to ask for."""
        recipes = self.client.get("/api/recipes").json()
        codes = [one["recipe"]["id"] for one in recipes]
        left = [row["calls"][0] for row in view["board"]["left"]]
        calls = [*view["board"]["calls"], *left]
        address = self.client.post(f"/api/musters/{muster}/calendar").json()["address"]
        rows = self.client.get(f"/api/musters/{muster}/build").json()
        built = [f"/api/musters/{muster}/build/{row['unit']}" for row in rows if row["kit"]]
        views = [self.client.get(address).json()["view"] for address in built]
        joints = [one["joint"] for found in views if found for one in found["mouths"]]
        secret = address.rsplit("/", 1)[1].removesuffix(".ics")
        return {
            "muster_id": [str(muster)], "code": codes, "since": ["1"], "tier": ["hand"],
            "kind": ["csv", "gpl", "json"],
            "call": [*calls[:2], *left[:1], "no-such-call"], "celsius": ["12"],
            "have": ["", "a.b.c"],
            "of": ["vehicle"], "joint": joints[:2] or ["none"],
            "unit": [row["unit"]["id"] for row in view["roll"]][:3] or ["none"],
            "form": ["svg"], "zone": [""], "after": ["0", "3"], "secret": [secret],
            "picture_id": ["1"], "humidity": ["70"], "colour": ["#5a6b3c"], "scale": ["72"],
        }  # fmt: skip

    def accepted(self, answer: Any) -> bool:
        """Whether it was accepted; what is refused says why."""
        if answer.status_code == 200:
            return True
        assert answer.status_code == 422, answer.content[:400]
        complaints = answer.json()["complaints"]
        assert complaints and all(len(one) > 10 for one in complaints), complaints
        return False

    @MANY
    @given(generating.musters(), generating.A_SHELF, generating.A_HOUSE, st.sampled_from(LATER))
    def test_a_muster_that_is_imported_can_be_read_now_and_later(
        self, muster: Any, shelf: Any, house: Any, later: timedelta
    ) -> None:
        reed = [{"name": "Reed", "colour": "#5a6b3c"}]
        assert self.accepted(upload(self.client, "shelf-file", {**shelf, "paints": reed}))
        self.accepted(upload(self.client, "shelf-file", shelf))
        self.accepted(
            self.client.post(
                "/api/house", {"seen": 0, "house": house}, content_type="application/json"
            )
        )
        answer = upload(self.client, "import", muster)
        if self.accepted(answer):
            made = answer.json()["id"]
            view = self.client.get(f"/api/musters/{made}")
            assert view.status_code == 200, view.content[:400]
            read_everything(self.client, self.values(made, view.json()))
            self.now += later
            view = self.client.get(f"/api/musters/{made}")
            assert view.status_code == 200, view.content[:400]
            read_everything(self.client, self.values(made, view.json()))

    @MANY
    @given(generating.recipes("made"), st.sampled_from(["black", "none", "as it is"]))
    def test_a_recipe_that_is_imported_can_be_read_and_looked_over(
        self, recipe: Any, undercoat: str
    ) -> None:
        file = {"format": "crisp-muster/recipe", "version": 3, "recipe": recipe}
        answer = upload(self.client, "recipe-file", file)
        if self.accepted(answer):
            draft = {"kind": recipe["kind"], "passes": recipe["passes"], "undercoat": undercoat,
                     "subject": {"material": recipe.get("material", "polystyrene"),
                                 "use": recipe.get("use", "played")}}  # fmt: skip
            self.accepted(
                self.client.post("/api/draft-check", draft, content_type="application/json")
            )
            assert self.client.get("/api/recipes/made/file").status_code == 200
