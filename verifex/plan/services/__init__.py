"""The only writers of rooms, sessions, seats and who does what in a session."""
