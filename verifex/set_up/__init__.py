"""Setting up a course: what it still lacks before its first lab day, and the acts that bring it there."""
