"""Colour bands, preferred series and closed-form sums."""
