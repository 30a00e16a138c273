"""Templates: kits to start from, so that nobody begins with an empty list. Minutes are common
practice at 1/72, with no source."""
