"""What is wrong with a build, one check a file: each found, explained, mended by its own offer."""
