"""Modules, drawers and faults as the stores show them."""
