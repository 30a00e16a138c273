"""Bringing the program up. Standard library only: this runs before anything is installed."""
