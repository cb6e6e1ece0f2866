"""What needs worker processes: run by itself, not beside other tests."""
