"""A docket as the API shows it, from what is kept; nothing is judged here."""
