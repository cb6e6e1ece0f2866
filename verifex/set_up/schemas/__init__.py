"""Shapes of setting up a course in the API, by subject."""
