"""Commands: each turns one document of choices into the next. One verb a file."""
