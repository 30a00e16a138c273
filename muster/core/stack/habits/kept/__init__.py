"""Every habit, one a file; importing this package registers them all."""

from importlib import import_module
from pkgutil import iter_modules

for found in iter_modules(__path__):
    import_module(f"{__name__}.{found.name}")
