"""Refusals of the stores: each reason a type with its facts, and the sentence it is answered with."""
