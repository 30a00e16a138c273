"""What the rooms show, computed: plain data, ready to be drawn."""
