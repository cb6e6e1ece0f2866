"""The only writers of the stores."""
