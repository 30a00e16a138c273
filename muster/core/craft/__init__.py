"""The tables of the craft: media, techniques, zones, adhesives. A row says what a thing is."""
