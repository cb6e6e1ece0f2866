"""Logs as benches print them, sound and with one seeded fault, made without any of the product's models: physics, noise and
ways of printing are written here from scratch."""
