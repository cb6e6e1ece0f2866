"""A bench as text and as a table: read, with the place of every mistake, and written."""
