"""Programs for the tests, and an independent real compiler to hold ours against."""
