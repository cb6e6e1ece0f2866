"""What other rooms hear of the stores: `issue_changed` is sent inside the write, when what a pair was given is another thing now.

With it come `issue`, `actor`, `verb` (what was done, in words) and `voids_because` (why power has to be cleared anew; empty: it need
not).
"""

from django.dispatch import Signal

issue_changed = Signal()
