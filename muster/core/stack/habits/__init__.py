"""House habits: where schools differ. One habit a file in ``kept``, with what follows from it."""
