"""The whole API: typed, by session, with CSRF. Its own pages are off: they load from outside."""

from __future__ import annotations

from ninja import NinjaAPI
from ninja.security import django_auth

from muster.apps.accounts.api import router as accounts
from muster.apps.bench.api import router as bench
from muster.apps.colour.mixing import router as mixing
from muster.apps.colour.pots import router as pots
from muster.apps.colour.schemes import router as more
from muster.apps.colour.shelf import router as shelf
from muster.apps.errors import answer_errors
from muster.apps.house.api import router as house
from muster.apps.plan.api import router as plan
from muster.apps.recipes.api import router as recipes
from muster.apps.recipes.draft_check import router as looking
from muster.apps.recipes.files import router as recipe_files
from muster.apps.recipes.trials import router as trials
from muster.apps.roll.api import router as roll
from muster.apps.supplies.api import router as supplies

api = NinjaAPI(title="Crisp Muster", version="1", auth=django_auth, docs_url=None, openapi_url=None)
answer_errors(api)
ROUTERS = (accounts, house, roll, recipe_files, recipes, looking, trials, shelf, mixing, more, pots,
           supplies, plan, bench)  # fmt: skip
for router in ROUTERS:
    api.add_router("", router)
