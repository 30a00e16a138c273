"""Build: kits that a user has built, remembered for the next unit of the same."""
