"""What a painter types in one line: units, paints, passes."""
