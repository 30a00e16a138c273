"""Colour: from paints to what is seen. Reflectance in 36 bands, Kubelka and Munk, CIEDE2000."""
