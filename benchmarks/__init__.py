"""What is fast, and how we know: `make bench` prints it, for later work to be compared with."""
