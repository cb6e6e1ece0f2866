"""What each command takes. Nothing of the core is imported here, so that help and usage come at once."""
