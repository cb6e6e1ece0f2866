"""A class list as a school exports it: read, its columns told apart, compared with who is there. Nothing here stores."""
