"""Shapes of dockets in the API: for staff, and the narrower ones for a pair."""
