"""The whole API: typed, by session, with CSRF. Its own pages are off: they load from outside."""

from __future__ import annotations

from ninja.security import django_auth

from muster.api.accounts import router as accounts
from muster.api.alternatives import router as alternatives
from muster.api.bench import router as bench
from muster.api.build import router as build
from muster.api.calendar_feed import router as calendar
from muster.api.draft_check import router as looking
from muster.api.errors import MusterAPI, answer_errors
from muster.api.house import router as house
from muster.api.mixing import router as mixing
from muster.api.musters import router as roll
from muster.api.plan import router as plan
from muster.api.pots import router as pots
from muster.api.prints import router as prints
from muster.api.recipe_cards import router as cards
from muster.api.recipe_files import router as recipe_files
from muster.api.recipes import router as recipes
from muster.api.rescale import router as rescale
from muster.api.roster import router as roster
from muster.api.schemes import router as more
from muster.api.shelf import router as shelf
from muster.api.supplies import router as supplies
from muster.api.targets import router as targets
from muster.api.trials import router as trials
from muster.api.view_parts import router as parts
from muster.api.vocabulary import router as vocabulary

api = MusterAPI(
    title="Crisp Muster", version="1", auth=django_auth, docs_url=None, openapi_url=None
)
answer_errors(api)
ROUTERS = (
    accounts, house, roll, roster, recipe_files, cards, recipes, looking, trials, prints, shelf,
    mixing, more, pots, targets, supplies, plan, alternatives, calendar,
    build, rescale, bench, parts, vocabulary,
)  # fmt: skip
for router in ROUTERS:
    api.add_router("", router)
