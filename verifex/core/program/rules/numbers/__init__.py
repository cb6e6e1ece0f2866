"""Rules about values: sums, comparisons, types too small, ranges and what a variable holds."""
