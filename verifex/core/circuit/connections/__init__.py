"""What hangs together on a bench, before any current is worked out: paths, shorts, loose ends, what drives."""
