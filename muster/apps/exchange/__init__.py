"""Files out and in across apps: whole musters, and all that is a user's."""
