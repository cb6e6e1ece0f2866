"""A class list as a school exports it: read, its columns recognised, compared with who is there. Nothing here stores."""
