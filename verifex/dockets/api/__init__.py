"""The addresses of dockets: for staff, at the hatch, and for a pair."""
