"""A small helper on the computer that the board is plugged into: it sends what the board prints to the docket."""
