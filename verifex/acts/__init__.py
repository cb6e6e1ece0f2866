"""What every act of a person needs: the clock, the refusals, and the event log."""
