"""What stands in a printed line: numbers with their labels and units, and which of them is which reading."""
