"""The account that the demo is shown with."""

DEMO_NAME = "demo"
