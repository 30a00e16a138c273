"""Amounts: how much surface, how much paint, what is short."""
