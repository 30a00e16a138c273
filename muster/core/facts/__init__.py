"""Facts: what was really done, append-only. One kind a file in ``kinds``."""

from muster.core.facts import kinds

assert kinds.__path__, "importing the package registers its kinds"
